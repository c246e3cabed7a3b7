import { insideRing, type Point } from '../surface';
import type { Area } from './arrange';

/** Index of the area a place lies in; -1 outside all. */
export const areaAt = (areas: readonly Pick<Area, 'rim' | 'holes'>[], place: Point): number =>
  areas.findIndex(({ rim, holes }) => insideRing(place, rim) && !holes.some((hole) => insideRing(place, hole)));

/** A finish given to the area round a place; null keeps what is there. */
export interface AreaChoice {
  readonly seed: Point;
  readonly finish: string | null;
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
    if (index >= 0 && !asked[index].includes(finish)) asked[index].push(finish);
  }
  return {
    finishes: asked.map(([first]) => first),
    conflicts: asked.flatMap((finishes, area) => (finishes.length > 1 ? [{ area, finishes }] : [])),
  };
}

/**
 * Carries choices over when lines have changed.
 * An area takes what its middle had before, so both halves of a split keep the finish. Where areas with different
 * finishes have become one, all their choices are kept, so that the conflict is seen and a person decides.
 */
export function carriedChoices(before: readonly Area[], after: readonly Area[], choices: readonly AreaChoice[]): AreaChoice[] {
  const had = chosenFinishes(before, choices).finishes;
  return after.flatMap((area) => {
    const from = areaAt(before, area.seed);
    const own = from >= 0 && had[from] !== undefined ? [{ seed: area.seed, finish: had[from] as string | null }] : [];
    const merged = choices.filter(({ seed, finish }) => {
      const old = areaAt(before, seed);
      const stillIts = areaAt([area], seed) === 0;
      // A seed the line has merely moved across belongs to an area that lives on elsewhere.
      const livesOn = old >= 0 && old !== from && after.some((other) => other !== area && areaAt(before, other.seed) === old);
      return stillIts && !livesOn && finish !== own[0]?.finish;
    });
    return [...own, ...merged];
  });
}
