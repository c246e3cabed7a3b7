// Of lists of any length: a list handed over as arguments overflows the stack at some hundred thousand.

/** The smallest of some numbers; Infinity where there are none. */
export const minOf = (numbers: readonly number[]): number =>
  numbers.reduce((least, number) => (number < least ? number : least), Infinity);

/** The largest of some numbers; −Infinity where there are none. */
export const maxOf = (numbers: readonly number[]): number =>
  numbers.reduce((most, number) => (number > most ? number : most), -Infinity);

/** The sum of a figure over a list. */
export const sumOf = <T>(list: readonly T[], pick: (item: T) => number): number =>
  list.reduce((sum, item) => sum + pick(item), 0);
