import {
  faultText,
  type LengthContext,
  readHumidity,
  type Reading,
  readLength,
  readNumber,
  readTemperature,
} from '@lintrel/core';
import * as v from 'valibot';

/** Schema of a field: typed text, read by a reader of core, then checked by a schema of core. */
function typed<T>(read: (text: string) => Reading<T>, then: v.GenericSchema<T, T>) {
  return v.pipe(
    v.string(),
    v.rawTransform(({ dataset, addIssue, NEVER }) => {
      const reading = read(dataset.value);
      const checked = reading.ok ? v.safeParse(then, reading.value) : null;
      if (checked?.success) return checked.output;
      addIssue({ message: reading.ok ? (checked?.issues?.[0].message ?? '') : faultText(reading.why) });
      return NEVER;
    }),
  );
}

/** Initial values of a form: numbers as text, the rest unchanged. */
export const typedTexts = (values: object): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(values).map(([name, value]: [string, unknown]) => [
      name,
      typeof value === 'number' ? String(value) : value,
    ]),
  );

/** A typed length, mm. */
export const typedLength = (then: v.GenericSchema<number, number>, context: LengthContext = {}) =>
  typed((text) => readLength(text, context), then);

/** A typed temperature, °C; a bare number is in the unit of the person. */
export const typedTemperature = (then: v.GenericSchema<number, number>, bare: 'C' | 'F' = 'C') =>
  typed((text) => readTemperature(text, bare), then);

/** A typed humidity, %. */
export const typedHumidity = (then: v.GenericSchema<number, number>) => typed(readHumidity, then);

/** A typed plain number. */
export const typedNumber = (then: v.GenericSchema<number, number>) => typed(readNumber, then);

/** An optional typed number; empty means null. */
export const typedOrNone = (then: v.GenericSchema<number | null, number | null>) =>
  typed<number | null>((text) => (text.trim() === '' ? { ok: true, value: null } : readNumber(text)), then);
