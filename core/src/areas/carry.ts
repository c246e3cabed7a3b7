import type { Point } from '../curves';
import type { Arrangement } from './arrange';
import { areaAt, type AreaChoice } from './find';

/**
 * Carries choices over when lines have changed.
 * An area is identified by the lines around it and the side of each it lies on, so that even a narrow strip keeps
 * its finish when its lines move; otherwise by its former interior point, so that both halves of a split area keep
 * the finish.
 * If areas with different finishes are merged, all their choices are kept: the conflict is shown and a person
 * decides.
 * A choice whose point lies in no area is kept and reported until a person resolves it.
 */
export function carryChoices<C extends AreaChoice>(
  before: Arrangement,
  after: Arrangement,
  choices: readonly C[],
): C[] {
  const had = firstChoices(before, choices);
  const origins = originsOf(before, after);
  const gone = before.areas.flatMap((_, index) =>
    had[index] !== undefined && !origins.includes(index) ? [index] : [],
  );
  const lost = choices.filter(({ seed }) => areaAt(before.areas, seed) < 0);
  const carried = after.areas.flatMap((area, index) => {
    const original = origins[index]! < 0 ? undefined : had[origins[index]!];
    const taken = original === undefined ? [] : [{ ...original, seed: area.seed }];
    const swallowed = gone.filter(
      (old) => areaAt([area], before.areas[old]!.seed) === 0 && had[old]?.finish !== original?.finish,
    );
    return [...taken, ...swallowed.map((old) => ({ ...(had[old] as C), seed: before.areas[old]!.seed }))];
  });
  return [...carried, ...lost];
}

/** Places in areas, moved to where those areas are now, to all of them where one was split; what has no area any more is left out. */
export function carryPoints<C extends { readonly seed: Point }>(
  before: Arrangement,
  after: Arrangement,
  places: readonly C[],
): C[] {
  const origins = originsOf(before, after);
  return places.flatMap((place) => {
    const was = areaAt(before.areas, place.seed);
    return was < 0 ? [] : after.areas.flatMap(({ seed }, now) => (origins[now] === was ? [{ ...place, seed }] : []));
  });
}

/** The first choice made for each area. */
function firstChoices<C extends AreaChoice>({ areas }: Arrangement, choices: readonly C[]): (C | undefined)[] {
  const assigned: (C | undefined)[] = areas.map(() => undefined);
  for (const choice of choices) {
    const area = areaAt(areas, choice.seed);
    if (area >= 0) assigned[area] ??= choice;
  }
  return assigned;
}

/** For each area the index of the one it was before; -1 where there was none. */
function originsOf(before: Arrangement, after: Arrangement): number[] {
  const was = signatures(before);
  const is = signatures(after);
  const once = (list: readonly string[], signature: string) =>
    signature !== '' && list.indexOf(signature) === list.lastIndexOf(signature);
  return after.areas.map(({ seed }, index) => {
    const signature = is[index]!;
    if (once(is, signature) && once(was, signature) && was.includes(signature)) return was.indexOf(signature);
    return areaAt(before.areas, seed);
  });
}

/** The lines round each area with the side of each it lies on, as one text; empty for an area no line touches. */
function signatures({ areas, borders }: Arrangement): string[] {
  const touching = areas.map(() => new Set<string>());
  for (const { line, left, right } of borders) {
    touching[left]!.add(`${line} left`);
    touching[right]!.add(`${line} right`);
  }
  return touching.map((sides) => [...sides].sort().join(', '));
}
