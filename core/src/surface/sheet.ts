import { chainSpans, spanPlaces, type ChainSpan, stepsOfTurn, ringArea, type Point } from '../curves';
import { plainly, TOLERANCE } from '../units';
import { coneSheet } from './cone';
import { foldedInSpace, unfold, type FoldedNet } from './folded';
import { outlineSpans } from './outline';
import { profileAt, profileOf, type Profile } from './profile';
import type { EdgeName } from './says';
import type { Space } from './space';
import type { Surface } from './surface';

/**
 * A surface laid flat: x to the right, y up, seen from outside, mm. Round surfaces run along x; their top is y = 0 and their
 * seam is below. On a turned surface the sheet is a chart only: x is true, y is stretched to the widest girth.
 */
export interface Sheet {
  readonly kind: Surface['kind'];
  /** Outline, anticlockwise, round edges flattened. */
  readonly ring: readonly Point[];
  /** Edges of the outline that lines may follow: the way they were typed, or the ends of a round surface. */
  readonly edges: readonly SheetEdge[];
  /** How a round surface closes on itself; null where it does not. */
  readonly turns: Turns | null;
  /** Radius against distance along the skin; null where the surface is not round. */
  readonly round: Round | null;
  /** True girth as a share of the drawn one needs the profile; null where the sheet is true. */
  readonly chart: Profile | null;
  readonly net: FoldedNet | null;
}

export interface SheetEdge {
  readonly name: EdgeName;
  /** In the direction that has the part on its left. */
  readonly places: readonly Point[];
  readonly closed: boolean;
}

/** Once round leads from one seam edge to the other: by a shift along y, or a turn about the apex of a cone. */
export type Turns =
  | { readonly kind: 'shift'; readonly girthMm: number }
  | { readonly kind: 'turn'; readonly apex: Point; readonly sector: number; /** −1 where the apex lies beyond the far end. */ readonly side: 1 | -1 };

/** A surface of revolution. */
export interface Round {
  readonly lengthMm: number;
  /** Radius, axis length and their change per mm, at a distance along the skin. */
  readonly at: (along: number) => { readonly along: number; readonly radius: number; readonly slope: number; readonly axial: number };
}

/**
 * Lays a surface flat.
 * @param surface sound by surfaceFaults
 */
export function sheetOf(surface: Surface): Sheet {
  switch (surface.kind) {
    case 'flat':
      return flatSheet(outlineSpans(surface.outline));
    case 'tube': {
      const radius = surface.diameter / 2;
      const round = { lengthMm: surface.length, at: (along: number) => ({ along, radius, slope: 0, axial: 1 }) };
      return { kind: 'tube', ...straightRound(round, 2 * Math.PI * radius), chart: null };
    }
    case 'cone':
      return coneFlat(surface.d1, surface.d2, surface.length);
    case 'turned': {
      const profile = profileOf(surface.profile);
      const round = { lengthMm: profile.lengthMm, at: (along: number) => profileAt(profile, along) };
      return { kind: 'turned', ...straightRound(round, 2 * Math.PI * profile.widestMm), chart: profile };
    }
    case 'folded': {
      const net = unfold(surface.panels);
      return {
        ...flatSheet(
          chainSpans(
            [net.ring[0].x, net.ring[0].y],
            [...net.ring.slice(1), net.ring[0]].map(({ x, y }) => ({ to: [x, y] })),
          ),
        ),
        kind: 'folded',
        net,
      };
    }
  }
}

function flatSheet(typed: readonly ChainSpan[]): Sheet {
  const ring = typed.flatMap((span) => spanPlaces(span).slice(0, -1));
  const turned = ringArea(ring) < 0;
  const edges = typed.map((span, index): SheetEdge => {
    const places = spanPlaces(span).map(({ x, y }) => ({ x, y }));
    return { name: { code: 'edge.numbered', values: { number: index + 1 } }, places: turned ? places.reverse() : places, closed: false };
  });
  const plain = ring.map(({ x, y }) => ({ x, y }));
  return { kind: 'flat', ring: turned ? plain.reverse() : plain, edges, turns: null, round: null, chart: null, net: null };
}

/** A tube, or the chart of a turned surface: an upright rectangle about y = 0. */
function straightRound(round: Round, girthMm: number): Omit<Sheet, 'kind' | 'chart'> {
  const half = girthMm / 2;
  const [l, h] = [round.lengthMm, half];
  const ring = [
    { x: 0, y: -h },
    { x: l, y: -h },
    { x: l, y: h },
    { x: 0, y: h },
  ];
  return {
    ring,
    edges: [endEdge('edge.far', [ring[1], ring[2]]), endEdge('edge.near', [ring[3], ring[0]])],
    turns: { kind: 'shift', girthMm },
    round,
    net: null,
  };
}

const endEdge = (code: 'edge.near' | 'edge.far', places: readonly Point[]): SheetEdge => ({ name: plainly(code), places, closed: false });

function coneFlat(d1: number, d2: number, length: number): Sheet {
  const { slantMm, sinHalfAngle } = coneSheet(d1, d2, length);
  const side = sinHalfAngle > 0 ? 1 : -1;
  const steep = Math.abs(sinHalfAngle);
  const sector = 2 * Math.PI * steep;
  const apex = { x: (-side * d1) / 2 / steep, y: 0 };
  const turns: Turns = { kind: 'turn', apex, sector, side };
  const radiusAt = (along: number) => d1 / 2 + sinHalfAngle * along;
  const end = (along: number): Point[] => {
    const reach = radiusAt(along) / steep;
    const steps = reach === 0 ? 0 : stepsOfTurn(reach, sector, TOLERANCE.flatten);
    return Array.from({ length: steps + 1 }, (_, step) => polar(turns, reach, sector * (steps === 0 ? 0 : step / steps - 0.5)));
  };
  const far = end(slantMm);
  const near = end(0).reverse();
  return {
    kind: 'cone',
    ring: [...far, ...near],
    edges: [...(d2 > 0 ? [endEdge('edge.far', far)] : []), ...(d1 > 0 ? [endEdge('edge.near', near)] : [])],
    turns,
    round: { lengthMm: slantMm, at: (along) => ({ along: (along * length) / slantMm, radius: radiusAt(along), slope: sinHalfAngle, axial: length / slantMm }) },
    chart: null,
    net: null,
  };
}

const polar = ({ apex, side }: Extract<Turns, { kind: 'turn' }>, reach: number, angle: number): Point => ({
  x: apex.x + side * reach * Math.cos(angle),
  y: reach * Math.sin(angle),
});

/** A place on a round surface: distance along the skin, and angle from the top towards the left, radians. */
export interface RoundPlace {
  readonly along: number;
  readonly angle: number;
}

/** Where on the sheet a place of a round surface lies. */
export function onSheet({ turns, round }: Sheet, { along, angle }: RoundPlace): Point {
  if (!turns || !round) throw new RangeError('onSheet needs a round surface');
  if (turns.kind === 'shift') return { x: along, y: (turns.girthMm / (2 * Math.PI)) * angle };
  const reach = round.at(along).radius / (turns.sector / (2 * Math.PI));
  return polar(turns, reach, (angle * turns.sector) / (2 * Math.PI));
}

/** Distance along the skin and angle of a place on the sheet of a round surface. */
export function onRound({ turns, round }: Sheet, place: Point): RoundPlace {
  if (!turns || !round) throw new RangeError('onRound needs a round surface');
  if (turns.kind === 'shift') return { along: place.x, angle: (2 * Math.PI * place.y) / turns.girthMm };
  const dx = turns.side * (place.x - turns.apex.x);
  const reach = Math.hypot(dx, place.y);
  const first = Math.abs(turns.apex.x);
  return { along: turns.side * (reach - first), angle: (Math.atan2(place.y, dx) * 2 * Math.PI) / turns.sector };
}

/** Place on the part, and outward direction there, of a place on the sheet; the part's own directions, mm. */
export function inSpace(sheet: Sheet, place: Point): { readonly at: Space; readonly out: Space } {
  if (sheet.net) return foldedInSpace(sheet.net, place);
  if (!sheet.round) return { at: { x: place.x, y: 0, z: place.y }, out: { x: 0, y: -1, z: 0 } };
  const { along, angle } = onRound(sheet, place);
  const { along: axis, radius, slope, axial } = sheet.round.at(along);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { at: { x: axis, y: radius * sin, z: radius * cos }, out: { x: -slope, y: axial * sin, z: axial * cos } };
}

/** True girth over drawn girth at a place of the chart, and its change per mm along x; 1 and 0 where the sheet is true. */
export function stretchAt({ chart }: Sheet, x: number): { readonly share: number; readonly change: number } {
  if (!chart) return { share: 1, change: 0 };
  const { radius, slope } = profileAt(chart, x);
  return { share: radius / chart.widestMm, change: slope / chart.widestMm };
}
