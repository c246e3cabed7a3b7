import { restingAir } from '../air';
import { areaAt } from '../areas';
import { cornerDistances, pathSlice } from '../curves';
import { attachedParts, type Design, finishesById, type Shelf } from '../job';
import { areaRef, type FinishId, isModelScale, minOf, RULE_OF_THUMB, sumOf } from '../kit';
import type { ResolvedLine, TrimLine } from '../lines';
import { closingMin, type MaskEdge, openingMin } from '../masking';
import { type Preparation, preparationTasks, type PreparedPart } from '../prepare';
import { longestCleanOn, stripTapes } from '../runs';
import type { PartWork } from '../setout';
import type { BendClass, Layer, OrderArea, OrderBorder, OrderProblem, OrderRules, TapeEdge } from '../stage';
import { bendOf } from './bend-class';
import { openingClosings } from './closings';
import { partBuildUp } from './kept-sides';
import { maskingMeans } from './masking-means';
import { ownWorkOf } from './own-work';
import { partOffsets } from './part-offsets';
import { linePulls, timingsOn } from './pull-timings';
import { PROBLEM_RULES } from './rules-of-thumb';
import { longestCleanAtPlace, type SurroundingsPlace, surroundingsProblem } from './surroundings';

/** What a job is, and what is done before its first stage. */
export interface JobProblem {
  readonly problem: OrderProblem;
  readonly preparation: Preparation;
  /** Where its parts meet what is beyond them: the last of its borders, one each. */
  readonly rims: readonly SurroundingsPlace[];
}

/** Puts the areas of all parts into one problem, in the order of the parts; they are prepared when its clock begins. */
export function jobProblem(works: readonly PartWork[], design: Design, shelf: Shelf): JobProblem {
  const { rims, ...found } = unprepared(works, design, shelf);
  const starts = partOffsets(works).areas;
  const preparation = preparationTasks(
    works.map((work, index) => toPrepare(work, found, starts[index]!)),
    design.climate,
  );
  const keyed = new Set(
    preparation.abrading.flatMap(({ places }) =>
      places.map(({ part, area }) => starts[works.findIndex((work) => work.part.id === part)]! + area),
    ),
  );
  const areas = found.areas.map((area, index) => ({
    ...area,
    keyed: keyed.has(index),
    presentAgeMin: area.presentAgeMin + preparation.minutes,
  }));
  return { problem: { ...found, areas }, preparation, rims };
}

/** The problem alone. */
export const orderProblem = (works: readonly PartWork[], design: Design, shelf: Shelf): OrderProblem =>
  jobProblem(works, design, shelf).problem;

/** What goes first on each area of a part: the primer, or its own finish. */
function toPrepare(
  { part, arrangement, presents }: PartWork,
  { areas, finishes, primer }: OrderProblem,
  start: number,
): PreparedPart {
  const ownAreas = areas.slice(start, start + arrangement.areas.length);
  const { id, substrate } = part;
  return {
    id,
    substrate,
    areas: ownAreas.map(({ finish, sizeM2 }, index) => {
      const first = primer?.areas[start + index] ? primer.finish : finish;
      return { first: first === null ? null : (finishes.get(first) ?? null), sizeM2, present: presents[index]! };
    }),
  };
}

function unprepared(works: readonly PartWork[], design: Design, shelf: Shelf): OrderProblem & Pick<JobProblem, 'rims'> {
  const finishes = finishesById(shelf);
  const areas: OrderArea[] = [];
  const borders: OrderBorder[] = [];
  const plugs = new Map<string, number>();
  const plugMin = new Map<string, number>();
  const unplugMin = new Map<string, number>();
  const model = isModelScale(design.scale);
  const buildUpChoices = {
    tapes: maskingMeans({ design, shelf }).tapes,
    scale: design.scale,
    pulls: design.choices.pulls ?? [],
    layers: design.choices.layers ?? [],
  };
  for (const work of works) {
    const first = areas.length;
    const edges = work.arrangement.borders.map((border) => ({ ...border, edge: tapeEdge(work, border) }));
    const { sides, narrow } = partBuildUp(work, { ...buildUpChoices, timings: timingsOn(work, design, finishes) });
    areas.push(
      ...work.arrangement.areas.map((_, index) => ({
        ...areaOf(work, index, shelf, edges),
        ...(narrow[index] === null ? {} : { narrow: narrow[index]! }),
      })),
    );
    borders.push(
      ...edges.map(({ left, right, edge }, index) => ({
        a: first + left,
        b: first + right,
        ...edge,
        sides: sides[index]!,
      })),
    );
    const closings = openingClosings(work, null, design);
    if (closings.length > 0) {
      plugs.set(work.part.id, closings.length * work.part.count);
      plugMin.set(work.part.id, sumOf(closings, ({ closing }) => closingMin(closing, model)) * work.part.count);
      unplugMin.set(work.part.id, sumOf(closings, ({ closing }) => openingMin(closing)) * work.part.count);
    }
  }
  const { scheme, choices } = design;
  const methodsOf = (part: string) => {
    const finishIds = areas.flatMap((area) => (area.part === part && area.finish !== null ? [area.finish] : []));
    const layers = finishIds.length === 0 ? [] : [scheme.primer, scheme.clear];
    return [...finishIds, ...layers].flatMap((id) => (id === undefined ? [] : (finishes.get(id)?.method ?? [])));
  };
  const rims = surroundingsProblem(works, areas, design, methodsOf);
  areas.push(...rims.areas);
  borders.push(...rims.borders);
  const layer = (finish: FinishId | undefined, left: (index: number) => boolean): Layer | null => {
    const over = areas.map((area, index) => area.finish !== null && !left(index));
    return finish && finishes.has(finish) && over.some(Boolean) ? { finish, areas: over } : null;
  };
  const attached = attachedParts(design.parts);
  const uncleared = works.flatMap((work) => work.uncleared);
  return {
    areas,
    borders,
    plugs,
    plugMin,
    unplugMin,
    own: ownWorkOf(design),
    attached,
    finishes,
    air: restingAir(design.climate),
    sprayAir: design.climate,
    model,
    school: choices.school,
    shortestHours: minOf(shelf.tapes.map(({ cleanHours }) => cleanHours)),
    lastsH: lastingOn(works, design, shelf, rims.places),
    ...linePulls(works, choices.pulls ?? []),
    rims: rims.places,
    wish: choices.wish ?? 'work',
    rules: orderRules(design, works, model),
    primer: layer(scheme.primer, () => false),
    clear: layer(scheme.clear, (index) => uncleared[index]!),
  };
}

/** Maximum clean time of the tapes of an edge; computed on demand, each once. */
function lastingOn(
  works: readonly PartWork[],
  design: Design,
  shelf: Shelf,
  rims: readonly SurroundingsPlace[],
): OrderProblem['lastsH'] {
  const { areas, borders } = partOffsets(works);
  const firstRim = sumOf(works, ({ arrangement }) => arrangement.borders.length);
  const means = maskingMeans({ design, shelf });
  const known = new Map<string, number>();
  return (edge: MaskEdge) => {
    const key = `${edge.border} ${edge.closed} ${edge.class}`;
    const cached = known.get(key);
    if (cached !== undefined) return cached;
    const rim = rims[edge.border - firstRim];
    if (rim) return longestCleanAtPlace(rim, edge.class, means);
    const part = borders.findLastIndex((start) => start <= edge.border);
    const [border, free, closed] = [edge.border - borders[part]!, edge.free - areas[part]!, edge.closed - areas[part]!];
    const { arrangement, lines, setOut } = works[part]!;
    const hours = longestCleanOn(
      { arrangement, lines, skin: setOut.board.drawn },
      { ...edge, border, free, closed },
      means,
    );
    known.set(key, hours);
    return hours;
  };
}

function orderRules({ choices }: Design, works: readonly PartWork[], model: boolean): OrderRules {
  const { order, before, pins, sameGun, masks, late, mostStages, spread, equalPercent, vouched } = choices;
  const starts = partOffsets(works).areas;
  return {
    order,
    before: before ?? [],
    pins: (pins ?? []).flatMap(({ part, seed: [x, y], finish, open }) => {
      const index = works.findIndex((work) => work.part.id === part);
      const area = index < 0 ? -1 : areaAt(works[index]!.arrangement.areas, { x, y });
      return area < 0 ? [] : [{ finish, area: starts[index]! + area, open }];
    }),
    sameGun: (sameGun ?? []).map(({ first: one, second }) => [one, second] as const),
    masks: masks ?? (model ? 'free' : 'fresh'),
    // The person wants every mask off after its stage.
    through: masks !== 'fresh',
    late: late ?? false,
    mostStages: mostStages ?? null,
    wide: spread === 'wide',
    equalShare: equalPercent === undefined ? RULE_OF_THUMB.equalShare : equalPercent / 100,
    vouched: vouched ?? [],
  };
}

type Edged = PartWork['arrangement']['borders'][number] & { readonly edge: TapeEdge };

function areaOf(work: PartWork, index: number, shelf: Shelf, borders: readonly Edged[]): OrderArea {
  const { part, arrangement, finishes, blends } = work;
  const { code, sizeMm2, perimeterMm } = arrangement.areas[index]!;
  const { system, ageH, colour, finish: already } = work.presents[index]!;
  const finish = finishes[index] ?? null;
  const alone = stripTapes(work, index, shelf.tapes);
  return {
    id: areaRef(part.id, work.areaIds[index]!),
    area: work.areaIds[index]!,
    code,
    part: part.id,
    count: part.count,
    sizeM2: (sizeMm2 / 1e6) * part.count,
    // Mean width from its size; half its outline is its length.
    narrowM: (2 * sizeMm2) / perimeterMm <= RULE_OF_THUMB.narrowLineMm ? (perimeterMm / 2000) * part.count : null,
    present: colour,
    presentSystem: system === 'bare' ? null : system,
    presentAgeMin: ageH * 60,
    keyed: false,
    finish,
    alike: finish === null ? (already ?? null) : null,
    blend: blends[index]!,
    strip:
      alone &&
      stripEdge(
        borders.filter(({ left, right }) => left === index || right === index),
        alone.slit,
      ),
  };
}

/** The one tape over a strip: as long as its longer side, as hard to lay as its hardest piece; slit before where none is as wide. */
function stripEdge(borders: readonly Edged[], slit: boolean): TapeEdge {
  const sides = new Map<string, TapeEdge[]>();
  for (const { line, edge } of borders) sides.set(line, [...(sides.get(line) ?? []), edge]);
  const sums = [...sides.values()].map((edges) => ({
    lengthM: edges.reduce((sum, { lengthM }) => sum + lengthM, 0),
    setOutMin: edges.reduce((sum, edge) => sum + edge.setOutMin, 0),
    corners: edges.reduce((sum, { corners: count }) => sum + count, 0),
    bend: BENDS[Math.max(...edges.map(({ bend }) => BENDS.indexOf(bend)))]!,
    pieces: edges[0]!.pieces,
    sealM: edges.reduce((sum, { sealM }) => sum + sealM, 0),
  }));
  const longest = sums.reduce((best, sum) => (sum.lengthM > best.lengthM ? sum : best));
  return slit
    ? {
        ...longest,
        setOutMin: longest.setOutMin + RULE_OF_THUMB.slitEach + RULE_OF_THUMB.slitPerMetre * longest.lengthM,
      }
    : longest;
}

const BENDS: readonly BendClass[] = ['straight', 'gentle', 'features', 'tight'];

function tapeEdge(work: PartWork, border: PartWork['arrangement']['borders'][number]): TapeEdge {
  const { line: id, from, to } = border;
  const line = work.lines.find((other) => other.id === id) as ResolvedLine;
  const { count } = work.part;
  const turns = line.pieces
    .flatMap((piece) => cornerDistances(piece))
    .filter((along) => along > from && along < to).length;
  return {
    lengthM: ((to - from) / 1000) * count,
    pieces: count,
    setOutMin: settingOut(work, id) * ((to - from) / lengthOf(work, id)) * count,
    corners: turns * count,
    bend: bendClass(line, from, to),
    sealM: (onTexture(line, from, to) / 1000) * count,
  };
}

/** How much of a stretch of a line lies on texture, mm. */
const onTexture = ({ crosses }: ResolvedLine, from: number, to: number): number =>
  Math.min(
    to - from,
    crosses.reduce(
      (sum, met) => (met.kind === 'texture' ? sum + Math.max(0, Math.min(to, met.to) - Math.max(from, met.from)) : sum),
      0,
    ),
  );

function bendClass(line: ResolvedLine, from: number, to: number): BendClass {
  if (
    line.crosses.some(
      (crossing) =>
        (crossing.kind === 'raised-row' || crossing.kind === 'crease') && crossing.to >= from && crossing.from <= to,
    )
  )
    return 'features';
  return bendOf(line.pieces.flatMap((piece) => pathSlice(piece, from, to) ?? []));
}

const lengthOf = ({ lines }: PartWork, id: string): number =>
  lines.find((line) => line.id === id)?.pieces.reduce((sum, piece) => sum + piece.at(-1)!.at - piece[0]!.at, 0) || 1;

/**
 * Minutes to set out a whole line: by its points and its length; a straight one is pulled in one go.
 * Source: rates of setting out, rules of thumb.
 */
function settingOut(work: PartWork, id: string): number {
  const { setOut, lines } = work;
  const owner = lines.find((line) => line.id === id)?.owner;
  const line = setOut.board.shape.lines.find((candidate) => candidate.id === owner);
  const lengthM = lengthOf(work, id) / 1000;
  if (line?.kind === 'straight' || line?.kind === 'bands' || line?.kind === 'rays')
    return PROBLEM_RULES.setOutStraight + PROBLEM_RULES.setOutStraightPerMetre * lengthM;
  return PROBLEM_RULES.setOutPerPoint * measuredPoints(line) + PROBLEM_RULES.setOutPerMetre * lengthM;
}

/** Points a person measures to set a line out; one made from another is set off its neighbour at a few places. */
function measuredPoints(line: TrimLine | undefined): number {
  if (line?.kind === 'sweep') return line.points.length;
  return line?.kind === 'imported' || line?.kind === 'text' ? 1 : 3;
}
