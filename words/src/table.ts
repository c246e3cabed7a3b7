import type { Said } from '@lintrel/core';
import { listedPhrase, several, unmarked } from './phrase';
import type { Tongue } from './tongue';

/** What the sentences of one table are made with: figures as the person reads them, and the words of other codes. */
export interface Speech extends Tongue {
  /** Words of what stands among the values of another code. */
  readonly say: (said: Said) => string;
}

/** Words for every code of a room: the compiler sees to it that none is missing. */
export type WordsOf<Says> = { readonly [Code in keyof Says]: (values: Says[Code], to: Speech) => string };

/** `A, B and C`. */
export const listed = (items: readonly string[]): string => unmarked(listedPhrase(items));

/** The first letter as a capital. */
export const sentence = (text: string): string => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;

/** A number with its noun: `1 line`, `3 lines`. */
export const counted = (count: number, one: string, many?: string): string => unmarked(several(count, one, many));
