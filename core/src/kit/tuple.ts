// Lists of a known length; a shorter one is a bug.

const short = (list: readonly unknown[], wanted: number): RangeError =>
  new RangeError(`a list of ${list.length} where ${wanted} were meant`);

/** The first of a list that has one; throws where it is empty. */
export function firstItem<T>(list: readonly T[]): T {
  if (list.length < 1) throw short(list, 1);
  return list[0] as T;
}

/** The last of a list that has one; throws where it is empty. */
export function lastItem<T>(list: readonly T[]): T {
  if (list.length < 1) throw short(list, 1);
  return list[list.length - 1] as T;
}

/** The first two of a list; throws where it is shorter. */
export function firstTwo<T>(list: readonly T[]): readonly [T, T] {
  if (list.length < 2) throw short(list, 2);
  return list as unknown as readonly [T, T];
}

/** The first three of a list; throws where it is shorter. */
export function firstThree<T>(list: readonly T[]): readonly [T, T, T] {
  if (list.length < 3) throw short(list, 3);
  return list as unknown as readonly [T, T, T];
}

/** The first four of a list; throws where it is shorter. */
export function firstFour<T>(list: readonly T[]): readonly [T, T, T, T] {
  if (list.length < 4) throw short(list, 4);
  return list as unknown as readonly [T, T, T, T];
}

/** A ring with its first entry again at its end; an empty one stays empty. */
export const closeRing = <T>(ring: readonly T[]): T[] => [...ring, ...ring.slice(0, 1)];

/** A list that begins with its second entry and ends with its first. */
export const rotatedByOne = <T>(ring: readonly T[]): T[] => [...ring.slice(1), ...ring.slice(0, 1)];
