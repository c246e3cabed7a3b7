// Random jobs of every kind of work: parts of all surfaces, finishes of all systems, all schools, air from frost to summer.
import { AIR_MOVEMENTS } from '../air';
import { type Finish, PULL_TIMINGS, SHIPPED_FINISHES } from '../finish';
import {
  type ClosingPin,
  type Design,
  EDGE_CONTEXT_KINDS,
  type EdgeContext,
  emptyDesign,
  GAP_WAYS,
  type Part,
  type PartAreaChoice,
  type PresentAt,
  SHIPPED_SHELF,
} from '../job';
import { AIMS } from '../kit';
import type { TrimLine } from '../lines';
import { type PartCache, workOutParts } from '../setout';
import { CLOSING_WAYS, type Feature, OPENING_USES, skinOf, type Surface, type ZoneShape } from '../surface';
import { randomNumbers } from './random-numbers';

/** Dice that fall the same for the same seed. */
export function dice(seed: number) {
  const next = randomNumbers(seed);
  const between = (least: number, most: number) => least + (most - least) * next();
  const whole = (least: number, most: number) => Math.floor(between(least, most + 1));
  const pickFrom = <T>(list: readonly T[]): T => list[whole(0, list.length - 1)]!;
  const chance = (share: number) => next() < share;
  return { between, whole, of: pickFrom, chance };
}
type Dice = ReturnType<typeof dice>;

function surfaceOf({ of, between }: Dice): Surface {
  const size = () => Math.round(between(150, 1500));
  switch (of(['flat', 'flat', 'disc', 'polygon', 'tube', 'cone', 'turned', 'folded'] as const)) {
    case 'flat':
      return { kind: 'flat', outline: { kind: 'rectangle', width: size(), height: size() } };
    case 'disc':
      return { kind: 'flat', outline: { kind: 'disc', diameter: size() } };
    case 'polygon': {
      const [width, height] = [size(), size()];
      return {
        kind: 'flat',
        outline: {
          kind: 'polygon',
          points: [
            [0, 0],
            [width, height * 0.1],
            [width * 0.9, height],
            [width * 0.3, height * 0.8],
          ],
        },
      };
    }
    case 'tube':
      return { kind: 'tube', diameter: size() / 3, length: size() };
    case 'cone':
      return { kind: 'cone', d1: size() / 4, d2: size() / 4 + 40, length: size() };
    case 'turned': {
      const long = size();
      return {
        kind: 'turned',
        profile: {
          start: [0, long / 6],
          edges: [{ to: [long / 2, long / 4] }, { to: [long, long / 8] }],
          smooth: true,
        },
      };
    }
    case 'folded': {
      const [width, height] = [size(), size()];
      const outline = { kind: 'rectangle' as const, width, height };
      return {
        kind: 'folded',
        panels: [
          { id: 'front', name: 'Front', outline, fold: null },
          { id: 'top', name: 'Top', outline, fold: { on: 'front', edge: 2, own: 0, angleDeg: 70, radius: 4 } },
        ],
      };
    }
  }
}

/** Corners of the sheet of a surface, about: where lines are drawn. */
function reachOf(surface: Surface): { readonly x: readonly [number, number]; readonly y: readonly [number, number] } {
  switch (surface.kind) {
    case 'flat':
      if (surface.outline.kind === 'rectangle')
        return { x: [0, surface.outline.width], y: [0, surface.outline.height] };
      if (surface.outline.kind === 'disc')
        return {
          x: [-surface.outline.diameter / 2, surface.outline.diameter / 2],
          y: [-surface.outline.diameter / 2, surface.outline.diameter / 2],
        };
      return { x: [0, 600], y: [0, 600] };
    case 'tube':
      return { x: [0, surface.length], y: [-surface.diameter, surface.diameter] };
    case 'cone':
      return { x: [0, surface.length], y: [-surface.d1 / 2, surface.d1 / 2] };
    case 'turned':
      return { x: [0, surface.profile.edges[1]!.to[0]], y: [-100, 100] };
    case 'folded':
      return { x: [0, 300], y: [0, 500] };
  }
}

function lineOf(
  index: number,
  surface: Surface,
  lines: readonly TrimLine[],
  { of, between, chance, whole }: Dice,
): TrimLine {
  const { x, y } = reachOf(surface);
  const place = () => ({ along: Math.round(between(...x)), above: Math.round(between(...y)) });
  const common = { id: `l${index}`, name: `Line ${index}`, runOn: true, datum: 'base' };
  const kinds = [
    'straight',
    'straight',
    'sweep',
    'ellipse',
    'bands',
    'parallel',
    ...(surface.kind === 'tube' || surface.kind === 'cone' ? ['ring'] : []),
  ] as const;
  switch (of(kinds)) {
    case 'sweep':
      return {
        kind: 'sweep',
        ...common,
        points: [
          { along: x[0], above: place().above },
          { along: (x[0] + x[1]) / 2, above: place().above },
          { along: x[1], above: place().above },
        ],
      };
    case 'ellipse': {
      const width = Math.round(between(30, 160));
      return {
        kind: 'ellipse',
        ...common,
        centre: place(),
        width,
        height: chance(0.5) ? width : width / 2,
        turnDeg: whole(0, 90),
      };
    }
    case 'bands':
      return {
        kind: 'bands',
        ...common,
        from: { along: x[0], above: y[0] },
        headingDeg: 0,
        count: whole(1, 3),
        width: of([6, 30, 50]),
        gap: 20,
        margin: 15,
        slantDeg: of([0, 20]),
        taper: 1,
      };
    case 'parallel':
      if (lines.length > 0)
        return {
          kind: 'parallel',
          id: common.id,
          name: common.name,
          runOn: true,
          of: of(lines).id,
          offset: of([-6, 6, 12, -25]),
        };
      break;
    case 'ring':
      return { kind: 'ring', id: common.id, name: common.name, runOn: true, at: Math.round(between(...x)) };
  }
  return { kind: 'straight', ...common, from: place(), to: place() };
}

const openings = (surface: Surface, { chance, between }: Dice): Feature[] => {
  if (!chance(0.3)) return [];
  const { x, y } = reachOf(surface);
  const measured = { along: Math.round(between(...x)), above: Math.round(between(...y)) };
  return [
    {
      kind: 'opening',
      id: 'port',
      name: 'Port',
      datum: 'base',
      use: 'port',
      shape: { kind: 'round', at: measured, diameter: 24 },
    },
  ];
};

const SYSTEMS = ['bare', 'filler-primer', 'can-enamel', 'two-part', 'air-acrylic', 'varnish', 'can-lacquer'] as const;

function partOf(id: string, roll: Dice): Part {
  const surface = surfaceOf(roll);
  const lines: TrimLine[] = [];
  for (let index = roll.whole(0, 3); index > 0; index--) lines.push(lineOf(index, surface, lines, roll));
  return {
    id,
    name: `Part ${id}`,
    count: roll.chance(0.2) ? roll.whole(2, 4) : 1,
    substrate: 'other',
    present: {
      system: roll.of(SYSTEMS),
      colour: roll.of(['#c7bfa6', '#1c1f24', '#f5f3ea', '#b3242b']),
      ageH: roll.of([0, 3, 30, 200, 2000]),
    },
    surface,
    datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    lines,
    features: openings(surface, roll),
    ...(roll.chance(0.1) ? { treatment: roll.of(['blend', 'leave'] as const) } : {}),
  };
}

/** Parts attached to one another, and coarse places on them: thrown with dice of their own. */
function joined(parts: readonly Part[], roll: Dice): Part[] {
  return parts.map((part, index) => {
    const { x, y } = reachOf(part.surface);
    const measured = { along: (x[0] + x[1]) / 2, above: (y[0] + y[1]) / 2 };
    const coarse: Feature = {
      kind: 'texture',
      id: 'coarse',
      name: 'Coarse',
      datum: 'base',
      shape: { kind: 'round', at: measured, diameter: 200 },
    };
    return {
      ...part,
      features: [...(part.features ?? []), ...(roll.chance(0.3) ? [coarse] : [])],
      ...(index > 0 && roll.chance(0.4) ? { attached: [parts[index - 1]!.id] } : {}),
      ...rimsOf(part, parts, roll),
    };
  });
}

/** What lies beyond some of the edges of a part. */
function rimsOf({ id, surface }: Part, parts: readonly Part[], { chance, of }: Dice): Pick<Part, 'rims'> {
  if (chance(0.5)) return {};
  const others = parts.filter((part) => part.id !== id).map((part) => part.id);
  const rims = skinOf(surface).edges.flatMap((_, edge): EdgeContext[] => {
    if (chance(0.4)) return [];
    const part = others.length > 0 && chance(0.4) ? of(others) : undefined;
    const beyond = of(EDGE_CONTEXT_KINDS);
    switch (beyond) {
      case 'butt':
        return [{ beyond, edge, ...(part === undefined ? {} : { part }) }];
      case 'gap':
        return [{ beyond, edge, width: of([4, 12, 40]), depth: 30, ...(part === undefined ? {} : { part }) }];
      case 'goes-on':
        return part === undefined ? [] : [{ beyond, edge, part }];
      default:
        return [{ beyond, edge }];
    }
  });
  return rims.length === 0 ? {} : { rims };
}

/** Openings of all kinds and shapes where there are some, and how a person closes them and the gaps: thrown with dice of their own. */
function withOpenings(
  parts: readonly Part[],
  { chance, of }: Dice,
): { readonly parts: Part[]; readonly closings: ClosingPin[] } {
  const shapes = (at: { along: number; above: number }): ZoneShape[] => [
    { kind: 'round', at, diameter: 24 },
    { kind: 'round', at, diameter: 70 },
    { kind: 'window', at, width: 90, height: 40, corner: 5 },
    { kind: 'window', at, width: 120, height: 8, corner: 0 },
  ];
  const other = parts.map((part) => ({
    ...part,
    ...(part.rims
      ? { rims: part.rims.map((rim) => (rim.beyond === 'gap' && chance(0.6) ? { ...rim, by: of(GAP_WAYS) } : rim)) }
      : {}),
    features: (part.features ?? []).map((feature) =>
      feature.kind === 'opening' && feature.shape.kind === 'round'
        ? { ...feature, use: of(OPENING_USES), shape: of(shapes(feature.shape.at)) }
        : feature,
    ),
  }));
  const closings = other.flatMap(({ id, features }) =>
    features.flatMap((feature) =>
      feature.kind === 'opening' && chance(0.6) ? [{ part: id, opening: feature.id, by: of(CLOSING_WAYS) }] : [],
    ),
  );
  return { parts: other, closings };
}

/** Some areas are in something else now. */
const presentPlaces = (areas: readonly PartAreaChoice[], roll: Dice): PresentAt[] =>
  areas.flatMap(({ part, seed }) =>
    roll.chance(0.1) ? [{ part, seed, system: roll.of(SYSTEMS), colour: '#2f6f62', ageH: roll.of([0, 30, 2000]) }] : [],
  );

/** Manual choices: pieces, layering, own ways of masking. */
function byHand(
  parts: readonly Part[],
  finishes: readonly Finish[],
  { chance, of, between }: Dice,
): Partial<Design['choices']> {
  const lines = parts.flatMap(({ id, lines: own }) => own.map(({ id: line }) => ({ part: id, line })));
  const place = (): [number, number] => [Math.round(between(0, 400)), Math.round(between(0, 300))];
  const piece = () => ({
    id: 'own1',
    part: of(parts).id,
    finish: of(finishes).id,
    from: place(),
    to: place(),
    tape: chance(0.7) ? of(['C24', 'P36']) : null,
    note: '',
  });
  return {
    ...(lines.length > 0 && chance(0.15) ? { ownWays: [{ ...of(lines), how: '' }] } : {}),
    ...(chance(0.2) ? { layers: [{ first: of(['line', 'backing'] as const) }] } : {}),
    ...(chance(0.15) ? { ownPieces: [piece()] } : {}),
  };
}

/**
 * A random job with the shipped shelf; the same seed gives the same job.
 * @param store cache: its lines and areas can be reused for planning
 */
export function randomJob(seed: number, store?: PartCache): Design {
  const roll = dice(seed);
  const extra = dice(seed ^ 0x5eed);
  const { parts, closings } = withOpenings(
    joined(
      ['a', 'b', 'c'].slice(0, roll.of([1, 1, 2, 3])).map((id) => partOf(id, roll)),
      extra,
    ),
    dice(seed ^ 0x0be5),
  );
  const finishes: readonly Finish[] = Array.from({ length: roll.whole(1, 4) }, () => roll.of(SHIPPED_FINISHES));
  const areas: PartAreaChoice[] = workOutParts({ ...emptyDesign('x', 'other'), parts }, store).flatMap(
    ({ part, arrangement }) =>
      arrangement.areas.slice(0, 9).flatMap(({ seed: { x, y } }): PartAreaChoice[] =>
        roll.chance(0.85)
          ? [
              {
                part: part.id,
                seed: [x, y],
                finish: roll.chance(0.25) ? null : roll.of(finishes).id,
                ...(roll.chance(0.05) ? { blend: true } : {}),
              },
            ]
          : [],
      ),
  );
  const airC = Math.round(roll.between(2, 38));
  return {
    ...emptyDesign(`Random ${seed}`, 'other'),
    scale: roll.chance(0.3) ? 72 : 1,
    parts,
    presentAt: presentPlaces(areas, extra),
    climate: {
      airC,
      rhPercent: Math.round(roll.between(25, 95)),
      surfaceC: roll.chance(0.3) ? airC - 2 : null,
      movement: roll.of(AIR_MOVEMENTS),
    },
    scheme: {
      areas,
      ...(roll.chance(0.2) ? { primer: roll.of(['filler-buff', 'etch-grey']) } : {}),
      ...(roll.chance(0.2) ? { clear: SHIPPED_FINISHES.find(({ effect }) => effect === 'clear')?.id } : {}),
    },
    choices: {
      order: null,
      school: roll.chance(0.5) ? null : roll.of(PULL_TIMINGS),
      wish: roll.of(AIMS),
      masks: roll.of(['fresh', 'free'] as const),
      late: roll.chance(0.3),
      ...(closings.length > 0 ? { closings } : {}),
      ...byHand(parts, finishes, dice(seed ^ 0xba5e)),
    },
  };
}

export const RANDOM_SHELF = SHIPPED_SHELF;
