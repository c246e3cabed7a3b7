import * as v from 'valibot';
import type { Accepted } from './says';
import {
  heard,
  listOf,
  LONGEST_MM,
  plainly,
  readHumidity,
  type Reading,
  readLength,
  readNumber,
  readTemperature,
  refused,
  type Said,
  shortened,
  told,
  understood,
  twoOf,
} from '../units';

/** One value a question takes. The same key serves the form, the request body and the command line. */
export interface Key<T = unknown> {
  /** Unit shown beside the field; empty where the value has none or carries its own. */
  readonly unit: string;
  /** What is accepted. */
  readonly accepts: Accepted;
  /** A sensible value, so that the form opens answered. */
  readonly example: string;
  readonly optional: boolean;
  /** What stands in when it is left out. */
  readonly fallback: T | undefined;
  /** The words to choose from; null for a typed value. */
  readonly choices: readonly string[] | null;
  /** Shelf entries to choose from, if any. */
  readonly from: 'tapes' | 'finishes' | null;
  readonly schema: v.GenericSchema<unknown, T>;
}

/** A typed value is never longer than this; a longer one is not read, nor told back. */
const LONGEST_TYPED = 4000;
/** What was typed is told back this far. */
export const LONGEST_ECHO = 60;

const TOO_LONG = told({ code: 'ask.letters', values: { most: LONGEST_TYPED } });

const typedText = () => v.pipe(v.string(), v.maxLength(LONGEST_TYPED, TOO_LONG));

/** Builds a schema from a reader of typed text; numbers are read as if typed. */
function readBy<T>(accepts: Accepted, read: (text: string) => Reading<T>): v.GenericSchema<unknown, T> {
  return v.pipe(
    v.union([v.string(), v.number()], told({ code: 'ask.accepts', values: { accepts } })),
    v.check((value) => String(value).length <= LONGEST_TYPED, TOO_LONG),
    v.rawTransform(({ dataset, addIssue, NEVER }) => {
      const reading = read(String(dataset.value));
      if (reading.ok) return reading.value;
      addIssue({ message: notUnderstood(reading.why, accepts) });
      return NEVER;
    }),
  ) as v.GenericSchema<unknown, T>;
}

/** What was typed is told back only so far as a person reads it. */
const notUnderstood = ({ code, values }: Said, accepts: Accepted): string => {
  const short = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, typeof value === 'string' ? shortened(value, LONGEST_ECHO) : value]));
  return told({ code: 'ask.not-understood', values: { why: { code, values: short }, accepts } });
};

/** A value read from typed text by a reader of its own. */
export const typedKey = <T>(example: string, accepts: Accepted, read: (text: string) => Reading<T>): Key<T> => key(example, '', accepts, read);

const key = <T>(example: string, unit: string, accepts: Accepted, read: (text: string) => Reading<T>): Key<T> => ({
  example,
  unit,
  accepts,
  optional: false,
  fallback: undefined,
  choices: null,
  from: null,
  schema: readBy(accepts, read),
});

const within = (reading: Reading<number>, least: number, most: number, unit: string): Reading<number> =>
  reading.ok && !(reading.value >= least && reading.value <= most) ? refused({ code: 'ask.between', values: { least, most, unit } }) : reading;

/** A length above zero, in any notation. */
export const lengthKey = (example: string): Key<number> =>
  key(example, 'mm', plainly('accepts.length'), (text) => {
    const reading = readLength(text);
    if (!reading.ok) return reading;
    return reading.value > 0 && reading.value <= LONGEST_MM ? reading : refused({ code: 'ask.above-zero', values: { mostMm: LONGEST_MM } });
  });

/** A length that may be 0. */
export const lengthFromZeroKey = (example: string): Key<number> =>
  key(example, 'mm', plainly('accepts.length-from-zero'), (text) => within(readLength(text), 0, LONGEST_MM, 'mm'));

/** A length of either sign. */
export const signedLengthKey = (example: string): Key<number> =>
  key(example, 'mm', plainly('accepts.length-signed'), (text) => within(readLength(text), -LONGEST_MM, LONGEST_MM, 'mm'));

/** Whole number between two bounds. */
export const wholeKey = (example: string, least: number, most: number): Key<number> =>
  key(example, '', { code: 'accepts.whole', values: { least, most } }, (text) => {
    const reading = within(readNumber(text), least, most, '');
    return reading.ok && !Number.isInteger(reading.value) ? refused({ code: 'ask.not-whole', values: { value: reading.value } }) : reading;
  });

/** What stands for the value to be found. */
export const UNKNOWN = '?';

/** A value, or `?` where it is the one to be found. */
export const unknownOr = (of: Key<number>): Key<number | typeof UNKNOWN> => ({
  ...of,
  accepts: { code: 'accepts.or-unknown', values: { of: of.accepts } },
  schema: v.pipe(
    v.unknown(),
    v.rawTransform(({ dataset, addIssue, NEVER }): number | typeof UNKNOWN => {
      if (typeof dataset.value === 'string' && dataset.value.trim() === UNKNOWN) return UNKNOWN;
      const read = v.safeParse(of.schema, dataset.value);
      if (read.success) return read.output;
      addIssue({ message: told({ code: 'ask.or-unknown', values: { why: heard(read.issues[0].message) } }) });
      return NEVER;
    }),
  ),
});

/** Several lengths above 0, typed with commas or spaces between them, or sent as a list. */
export const lengthsKey = (example: string): Key<readonly number[]> => {
  const accepts: Accepted = plainly('accepts.lengths');
  return {
    ...key(example, 'mm', accepts, () => refused(plainly('ask.nothing-chosen'))),
    schema: v.pipe(
      v.union([typedText(), v.number(), listOf(v.union([typedText(), v.number()]), 'lengths', 60)], told({ code: 'ask.accepts', values: { accepts } })),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const texts = Array.isArray(dataset.value) ? dataset.value.map(String) : String(dataset.value).split(/[,;]\s*|\s+/);
        const readings = texts.filter((text) => text.trim() !== '').map((text) => readLength(text));
        const bad = readings.find((reading) => !reading.ok || reading.value <= 0 || reading.value > LONGEST_MM);
        if (readings.length > 0 && readings.length <= 60 && !bad) return readings.map((reading) => (reading.ok ? reading.value : 0));
        const why: Said = bad && !bad.ok ? bad.why : readings.length > 60 ? { code: 'ask.too-many', values: { most: 60 } } : plainly('ask.must-be-above');
        addIssue({ message: notUnderstood(why, accepts) });
        return NEVER;
      }),
    ) as v.GenericSchema<unknown, readonly number[]>,
  };
};

/** Measured places typed as `along above`, with commas between them, or sent as a list of pairs. */
export const placesKey = (example: string): Key<readonly (readonly [number, number])[]> => {
  const accepts: Accepted = plainly('accepts.places');
  return {
    ...key(example, 'mm', accepts, () => refused(plainly('ask.nothing-chosen'))),
    schema: v.pipe(
      v.union([typedText(), listOf(v.tuple([v.number(), v.number()]), 'places', 200)], told({ code: 'ask.accepts', values: { accepts } })),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const pairs = typeof dataset.value === 'string' ? readPairs(dataset.value) : dataset.value;
        const sound = pairs && pairs.length >= 2 && pairs.length <= 200 && pairs.flat().every((value) => Math.abs(value) <= LONGEST_MM);
        if (sound) return pairs;
        addIssue({ message: notUnderstood({ code: 'ask.places', values: { mostMm: LONGEST_MM } }, accepts) });
        return NEVER;
      }),
    ) as v.GenericSchema<unknown, readonly (readonly [number, number])[]>,
  };
};

function readPairs(text: string): [number, number][] | null {
  const pairs = text.split(/[,;]/).map((pair) =>
    pair
      .trim()
      .split(/\s+/)
      .map((word) => readLength(word)),
  );
  if (pairs.some((pair) => pair.length !== 2 || pair.some((reading) => !reading.ok))) return null;
  return pairs.map((pair) => {
    const [a, b] = twoOf(pair);
    return [a.ok ? a.value : 0, b.ok ? b.value : 0];
  });
}

/** A number between two bounds. */
export const numberKey = (example: string, least: number, most: number, unit = ''): Key<number> =>
  key(example, unit, { code: 'accepts.number', values: { least, most, unit } }, (text) => within(readNumber(text), least, most, unit));

/** A share from 0 to 1; `15%` is understood as 0.15. */
export const shareKey = (example: string, most = 1): Key<number> =>
  key(example, 'share', { code: 'accepts.share', values: { most } }, (text) => {
    const percent = /^\s*(.+?)\s*%\s*$/.exec(text);
    const reading = readNumber(percent ? percent[1]! : text);
    return within(reading.ok && percent ? understood(reading.value / 100) : reading, 0, most, '');
  });

/** A time above zero, in minutes. */
export const minutesKey = (example: string, least = 0, most = 100_000): Key<number> =>
  key(example, 'min', { code: 'accepts.minutes', values: { least, most } }, (text) => within(readNumber(text), least, most, 'min'));

/** A temperature in °C, or °F when it says so. */
export const temperatureKey = (example: string): Key<number> =>
  key(example, '°C', plainly('accepts.temperature'), (text) => within(readTemperature(text), -40, 80, '°C'));

/** Relative humidity in percent. */
export const humidityKey = (example: string): Key<number> => key(example, '%', plainly('accepts.humidity'), readHumidity);

/** One of a few words. */
export const choiceKey = <const C extends string>(example: string, choices: readonly C[]): Key<C> => ({
  ...key(example, '', { code: 'accepts.choice', values: { choices } }, (text) => {
    const found = choices.find((choice) => choice === text.trim().toLowerCase());
    return found ? understood(found) : refused({ code: 'ask.not-choice', values: { text: text.trim() } });
  }),
  choices,
});

/** The code of a tape or the id of a finish on the shelf. */
export const shelfKey = (example: string, from: 'tapes' | 'finishes'): Key<string> => ({
  ...key(example, '', from === 'tapes' ? plainly('accepts.tape') : plainly('accepts.finish'), (text) =>
    text.trim() ? understood(text.trim()) : refused(plainly('ask.nothing-chosen')),
  ),
  from,
});

/** The same key, to be left out if one likes. */
export const optional = <T>(of: Key<T>, fallback?: T): Key<T> => ({ ...of, optional: true, fallback });

/** A colour as #rrggbb; the number sign may be left out. */
export const colourKey = (example: string): Key<string> =>
  key(example, '', plainly('accepts.colour'), (text) => {
    const found = /^#?([0-9a-f]{6})$/i.exec(text.trim());
    return found ? understood(`#${found[1]!.toLowerCase()}`) : refused({ code: 'ask.not-colour', values: { text: text.trim() } });
  });

/** Parts by volume with colons between them, paint first. */
export const ratioKey = (example: string): Key<readonly number[]> =>
  key(example, '', plainly('accepts.ratio'), (text) => {
    const parts = text.split(':').map((part) => readNumber(part));
    const sound = parts.length <= 4 && parts.every((part) => part.ok && part.value > 0 && part.value <= 100);
    return sound ? understood(parts.map((part) => (part.ok ? part.value : 0))) : refused({ code: 'ask.not-ratio', values: { text: text.trim() } });
  });

/** Two hundred years are older than any finish. */
const MOST_AGE_MIN = 105_000_000;

/** Age of a film, minutes. */
export const ageKey = (example: string): Key<number> => minutesKey(example, 0, MOST_AGE_MIN);
