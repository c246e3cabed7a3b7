import type { Message } from '@lintrel/core';
import type { Formatter } from './formatter';
import { countPhrase, listedPhrase, withoutMarks } from './phrase';

/** What the sentences of one table are made with: figures as the person reads them, and the words of other codes. */
export interface SentenceTools extends Formatter {
  /** Words of what stands among the values of another code. */
  readonly say: (said: Message) => string;
}

/** Words for every code of a folder: the compiler requires all of them. */
export type WordsOf<Says> = { readonly [Code in keyof Says]: (values: Says[Code], to: SentenceTools) => string };

/** `A, B and C`. */
export const listText = (items: readonly string[]): string => withoutMarks(listedPhrase(items));

/** The first letter as a capital. */
export const sentence = (text: string): string => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;

/** A number with its noun: `1 line`, `3 lines`. */
export const countText = (count: number, singular: string, many?: string): string =>
  withoutMarks(countPhrase(count, singular, many));
