import { readFailed, type Reading, readOk } from '../kit';
import { decimalPointOf } from './decimal-comma';
import { minusSignOf } from './number';

/** Degrees between absolute zero and 0 °C (exact by definition). */
export const KELVIN_AT_ZERO_C = 273.15;

/** Degrees Fahrenheit, exact by definition. */
export const fahrenheitOf = (degreesC: number): number => (degreesC * 9) / 5 + 32;

/**
 * Reads a typed temperature.
 * @param text `23`, `23 °C`, `23C`, `73 F`, `73°F`
 * @param bare unit of a bare number
 * @returns °C, or what was expected
 */
export function readTemperature(text: string, bare: 'C' | 'F' = 'C'): Reading<number> {
  const pointed = decimalPointOf(text);
  if (!pointed.ok) return pointed;
  const match = /^\s*([-−+]?\d+(?:\.\d+)?)\s*(?:°\s*)?([cf])?\s*$/i.exec(pointed.value);
  if (!match) return readFailed({ code: 'typed.temperature', values: { text: text.trim() } });
  const degrees = Number(minusSignOf(match[1]!));
  return readOk((match[2] ?? bare).toUpperCase() === 'F' ? ((degrees - 32) * 5) / 9 : degrees);
}
