import { boundingBox, type Box, boxesMeet, isInsideRing, isNearBox, type Point, rayCrossesEdge } from '../curves';
import type { FinishId } from '../kit';
import type { Area } from './measure';

/** True where a place lies inside some rings: where a way out crosses an odd number of them. */
const isInsideRings = (place: Point, rings: readonly (readonly Point[])[]): boolean =>
  rings.reduce((inside, ring) => isInsideRing(place, ring) !== inside, false);

/** Index of the area a place lies in; -1 outside all. */
export const areaAt = (areas: readonly Pick<Area, 'rings'>[], place: Point): number =>
  areas.findIndex(({ rings }) => isInsideRings(place, rings));

/** Edges of the rings of an area by how high they lie: of a place only those at its height are asked. */
interface Shelved {
  readonly box: Box;
  readonly from: number;
  readonly perRow: number;
  readonly rows: readonly (readonly [a: Point, b: Point][])[];
}

const shelved = new WeakMap<object, readonly Shelved[]>();

/** Average number of edges per row. */
const EDGES_A_ROW = 8;

function shelve({ rings }: Pick<Area, 'rings'>): Shelved {
  const edges = rings.flatMap((ring) =>
    ring.map((a, index): [Point, Point] => [a, ring[(index + ring.length - 1) % ring.length]!]),
  );
  const box = boundingBox(edges.map(([a]) => a));
  const count = Math.max(1, Math.ceil(edges.length / EDGES_A_ROW));
  const perRow = (box.maxY - box.minY) / count || 1;
  const rows = Array.from({ length: count }, (): [Point, Point][] => []);
  const rowOf = (y: number) => Math.min(count - 1, Math.max(0, Math.floor((y - box.minY) / perRow)));
  for (const edge of edges)
    for (let row = rowOf(Math.min(edge[0].y, edge[1].y)); row <= rowOf(Math.max(edge[0].y, edge[1].y)); row++)
      rows[row]!.push(edge);
  return { box, from: box.minY, perRow, rows };
}

/**
 * The same as `areaAt` for many places on the same areas, which are looked through once.
 * @returns finds the index of the area a place lies in; -1 outside all
 */
export function areaFinder(areas: readonly Pick<Area, 'rings'>[]): (place: Point) => number {
  const all = shelvedAll(areas);
  return (place) => all.findIndex((area) => isWithin(place, area));
}

function shelvedAll(areas: readonly Pick<Area, 'rings'>[]): readonly Shelved[] {
  const all = shelved.get(areas) ?? areas.map(shelve);
  shelved.set(areas, all);
  return all;
}

function isWithin(place: Point, { box, from, perRow, rows }: Shelved): boolean {
  if (!isNearBox(place, box, 0)) return false;
  const row = rows[Math.min(rows.length - 1, Math.max(0, Math.floor((place.y - from) / perRow)))]!;
  let inside = false;
  for (const [a, b] of row) if (rayCrossesEdge(place, a, b)) inside = !inside;
  return inside;
}

/**
 * Whether a place lies in one of some areas.
 * @param which the areas that are looked at
 * @param near places asked for lie in this box; null: anywhere
 * @returns null where none of them comes near
 */
export function insideAny(
  areas: readonly Pick<Area, 'rings'>[],
  which: readonly boolean[],
  near: Box | null,
): ((place: Point) => boolean) | null {
  const some = shelvedAll(areas).filter(({ box }, index) => which[index] && (near === null || boxesMeet(box, near)));
  return some.length === 0 ? null : (place) => some.some((area) => isWithin(place, area));
}

/** A finish chosen for the area around a point; null keeps what is there. */
export interface AreaChoice {
  readonly seed: Point;
  readonly finish: FinishId | null;
}

/** Finish of each area according to the choices. */
export interface ChosenFinishes {
  /** One entry per area: a finish, null to keep what is there, undefined if nothing was chosen. */
  readonly finishes: readonly (string | null | undefined)[];
  /** Areas with several different choices, and the finishes chosen. */
  readonly conflicts: readonly { readonly area: number; readonly finishes: readonly (string | null)[] }[];
}

/** Reads the choices made for a part onto its areas; the first of several wins until a person decides. */
export function chosenFinishes(areas: readonly Area[], choices: readonly AreaChoice[]): ChosenFinishes {
  const asked = areas.map((): (string | null)[] => []);
  for (const { seed, finish } of choices) {
    const index = areaAt(areas, seed);
    if (index >= 0 && !asked[index]!.includes(finish)) asked[index]!.push(finish);
  }
  return {
    finishes: asked.map(([first]) => first),
    conflicts: asked.flatMap((finishes, area) => (finishes.length > 1 ? [{ area, finishes }] : [])),
  };
}
