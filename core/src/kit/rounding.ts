/**
 * Rounds every number in a plain value, so that equal plans are equal texts on every machine: functions such as sine
 * may differ in the last bit.
 * @param value plain data: objects, arrays, strings, numbers, booleans, null
 * @param decimals digits after the decimal point
 * @returns a copy; -0 becomes 0; a number that is not finite becomes null, as in JSON
 */
export function roundNumbers<T>(value: T, decimals = 6): T {
  const factor = 10 ** decimals;
  return roundWith(value, (number) => (Number.isFinite(number) ? Math.round(number * factor) / factor + 0 : null)) as T;
}

function roundWith(value: unknown, round: (number: number) => number | null): unknown {
  if (typeof value === 'number') return round(value);
  if (Array.isArray(value)) return value.map((item) => roundWith(item, round));
  if (value === null || typeof value !== 'object') return value;
  const copy: Record<string, unknown> = {};
  for (const key of Object.keys(value)) copy[key] = roundWith((value as Record<string, unknown>)[key], round);
  return copy;
}
