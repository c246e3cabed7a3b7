import { messageWithoutValues, readFailed, type Reading, readOk } from '../kit';
import { decimalPointOf } from './decimal-comma';

const NUMBER = /^[-−+]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i;

/** Replaces the typographic minus sign by a hyphen-minus. */
export const minusSignOf = (text: string): string => text.replace('−', '-');

/**
 * Reads a typed plain number.
 * @param text `12`, `-0.5`, `.5`, `1e3`; degrees may carry their sign
 * @returns the number, or what was typed; a decimal comma is read as decimalPointOf reads it
 */
export function readNumber(text: string): Reading<number> {
  const trimmed = text.trim().replace(/\s*°$/, '');
  if (trimmed === '') return readFailed(messageWithoutValues('typed.number-missing'));
  const pointed = decimalPointOf(trimmed);
  if (!pointed.ok) return pointed;
  const number = NUMBER.test(pointed.value) ? Number(minusSignOf(pointed.value)) : Number.NaN;
  return Number.isFinite(number) ? readOk(number) : readFailed({ code: 'typed.number', values: { text: trimmed } });
}

/** A typed number as a field that shows its own fault needs it: NaN where none was understood. */
export function numberOrNaN(text: string): number {
  const reading = readNumber(text);
  return reading.ok ? reading.value : Number.NaN;
}
