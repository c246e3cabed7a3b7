import { refused, understood, type Reading } from './reading';

/** Degrees between absolute zero and 0 °C (exact by definition). */
export const KELVIN_AT_ZERO_C = 273.15;

/**
 * Reads a typed temperature.
 * @param text `23`, `23 °C`, `23C`, `73 F`, `73°F`; a bare number is °C
 * @returns °C, or what was expected
 */
export function readTemperature(text: string): Reading<number> {
  const match = /^\s*([-−+]?\d+(?:\.\d+)?)\s*(?:°\s*)?([cf])?\s*$/i.exec(text);
  if (!match) return refused(`"${text.trim()}" is not a temperature: write it like 23, 23 °C or 73 °F`);
  const degrees = Number(match[1].replace('−', '-'));
  return understood(match[2]?.toLowerCase() === 'f' ? ((degrees - 32) * 5) / 9 : degrees);
}
