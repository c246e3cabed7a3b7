import type { Message, NoValues } from './message';

/** Why something a person typed was not understood; `text` is what was typed. */
export interface ReadingMessages {
  readonly 'typed.length-missing': NoValues;
  readonly 'typed.length-real': NoValues;
  /** A comma before three digits: both ways it can be read. */
  readonly 'typed.comma': { readonly text: string; readonly decimal: string; readonly thousands: string };
  readonly 'typed.commas': { readonly text: string };
  readonly 'typed.length': { readonly text: string };
  readonly 'typed.number-missing': NoValues;
  readonly 'typed.number': { readonly text: string };
  readonly 'typed.temperature': { readonly text: string };
  readonly 'typed.humidity': { readonly text: string };
  readonly 'typed.humidity-one': NoValues;
  readonly 'typed.humidity-range': NoValues;
}

/** What came of reading something a person typed: the value, or what was and was not understood. */
export type Reading<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: Message };

/** Wraps a value that was understood. */
export const readOk = <T>(value: T): Reading<T> => ({ ok: true, value });

/** Wraps a failure, which is shown at the field. */
export const readFailed = (why: Message): Reading<never> => ({ ok: false, why });
