import { insideRing, type Point } from '../curves';
import type { Area } from './measure';
import type { FinishId } from '../units';

/** True where a place lies inside some rings: where a way out crosses an odd number of them. */
export const insideRings = (place: Point, rings: readonly (readonly Point[])[]): boolean =>
  rings.reduce((inside, ring) => insideRing(place, ring) !== inside, false);

/** Index of the area a place lies in; -1 outside all. */
export const areaAt = (areas: readonly Pick<Area, 'rings'>[], place: Point): number => areas.findIndex(({ rings }) => insideRings(place, rings));

/** A finish given to the area round a place; null keeps what is there. */
export interface AreaChoice {
  readonly seed: Point;
  readonly finish: FinishId | null;
}

/** What the choices say of each area. */
export interface ChosenFinishes {
  /** One entry an area: a finish, null to keep it as it is, undefined where nobody chose. */
  readonly finishes: readonly (string | null | undefined)[];
  /** Areas that were given different finishes, with what was asked for. */
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
