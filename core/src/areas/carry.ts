import type { Arrangement } from './arrange';
import { areaAt, chosenFinishes, type AreaChoice } from './find';

/**
 * Carries choices over when lines have changed.
 * An area is known again by the lines it lies between, and the side of each it lies on, so that even a narrow strip keeps
 * its finish when its lines move; else by what its middle was before, so that both halves of a split keep the finish.
 * Where areas with different finishes have become one, all their choices are kept: the conflict is seen and a person decides.
 */
export function carriedChoices(before: Arrangement, after: Arrangement, choices: readonly AreaChoice[]): AreaChoice[] {
  const had = chosenFinishes(before.areas, choices).finishes;
  const origins = originsOf(before, after);
  const gone = before.areas.flatMap((_, index) => (had[index] !== undefined && !origins.includes(index) ? [index] : []));
  return after.areas.flatMap((area, index) => {
    const own = origins[index] < 0 ? undefined : had[origins[index]];
    const taken = own === undefined ? [] : [{ seed: area.seed, finish: own }];
    const swallowed = gone.filter((old) => areaAt([area], before.areas[old].seed) === 0 && had[old] !== own);
    return [...taken, ...swallowed.map((old) => ({ seed: before.areas[old].seed, finish: had[old] as string | null }))];
  });
}

/** For each area the index of the one it was before; -1 where there was none. */
function originsOf(before: Arrangement, after: Arrangement): number[] {
  const was = signatures(before);
  const is = signatures(after);
  const once = (list: readonly string[], signature: string) => signature !== '' && list.indexOf(signature) === list.lastIndexOf(signature);
  return after.areas.map(({ seed }, index) => {
    const signature = is[index];
    if (once(is, signature) && once(was, signature) && was.includes(signature)) return was.indexOf(signature);
    return areaAt(before.areas, seed);
  });
}

/** The lines round each area with the side of each it lies on, as one text; empty for an area no line touches. */
function signatures({ areas, borders }: Arrangement): string[] {
  const touching = areas.map(() => new Set<string>());
  for (const { line, left, right } of borders) {
    touching[left].add(`${line} left`);
    touching[right].add(`${line} right`);
  }
  return touching.map((sides) => [...sides].sort().join(', '));
}
