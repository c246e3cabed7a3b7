import * as v from 'valibot';
import type { Place } from '../curves';
import {
  faultText,
  firstTwo,
  listOf,
  MAX_COORDINATE_MM,
  type Message,
  messageWithoutValues,
  parseFaultText,
  readFailed,
  type Reading,
  readOk,
  truncate,
} from '../kit';
import { readHumidity, readLength, readNumber, readTemperature } from '../units';
import type { Accepted } from './messages';

/** One value a question takes. The same key serves the form, the request body and the command line. */
export interface Key<T = unknown> {
  /** Unit shown beside the field; empty where the value has none or carries its own. */
  readonly unit: string;
  /** What is accepted. */
  readonly accepts: Accepted;
  /** A sensible value, so that the form opens answered. */
  readonly example: string;
  readonly optional: boolean;
  /** Value used if it is left out. */
  readonly fallback: T | undefined;
  /** The words to choose from; null for a typed value. */
  readonly choices: readonly string[] | null;
  /** Shelf entries to choose from, if any. */
  readonly from: 'tapes' | 'finishes' | null;
  readonly schema: v.GenericSchema<unknown, T>;
}

/** Maximum length of a typed value; a longer one is neither read nor echoed. */
const LONGEST_TYPED = 4000;
/** Maximum number of characters of typed text echoed in a message. */
export const MAX_ECHO_CHARACTERS = 60;

const TOO_LONG = faultText({ code: 'ask.letters', values: { most: LONGEST_TYPED } });

const typedText = () => v.pipe(v.string(), v.maxLength(LONGEST_TYPED, TOO_LONG));

/** Builds a schema from a reader of typed text; numbers are read as if typed. */
function readBy<T>(accepts: Accepted, read: (text: string) => Reading<T>): v.GenericSchema<unknown, T> {
  return v.pipe(
    v.union([v.string(), v.number()], faultText({ code: 'ask.accepts', values: { accepts } })),
    v.check((value) => String(value).length <= LONGEST_TYPED, TOO_LONG),
    v.rawTransform(({ dataset, addIssue, NEVER }) => {
      const reading = read(String(dataset.value));
      if (reading.ok) return reading.value;
      addIssue({ message: notUnderstood(reading.why, accepts) });
      return NEVER;
    }),
  ) as v.GenericSchema<unknown, T>;
}

/** Echoes only the beginning of what was typed. */
const notUnderstood = ({ code, values }: Message, accepts: Accepted): string => {
  const short = Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'string' ? truncate(value, MAX_ECHO_CHARACTERS) : value,
    ]),
  );
  return faultText({ code: 'ask.not-understood', values: { why: { code, values: short }, accepts } });
};

/** A value parsed from typed text by a given reader. */
export const typedKey = <T>(example: string, accepts: Accepted, read: (text: string) => Reading<T>): Key<T> =>
  key(example, '', accepts, read);

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
  reading.ok && !(reading.value >= least && reading.value <= most)
    ? readFailed({ code: 'ask.between', values: { least, most, unit } })
    : reading;

/** A length above zero, in any notation. */
export const lengthKey = (example: string): Key<number> =>
  key(example, 'mm', messageWithoutValues('accepts.length'), (text) => {
    const reading = readLength(text);
    if (!reading.ok) return reading;
    return reading.value > 0 && reading.value <= MAX_COORDINATE_MM
      ? reading
      : readFailed({ code: 'ask.above-zero', values: { mostMm: MAX_COORDINATE_MM } });
  });

/** A length that may be 0. */
export const lengthFromZeroKey = (example: string): Key<number> =>
  key(example, 'mm', messageWithoutValues('accepts.length-from-zero'), (text) =>
    within(readLength(text), 0, MAX_COORDINATE_MM, 'mm'),
  );

/** A length of either sign. */
export const signedLengthKey = (example: string): Key<number> =>
  key(example, 'mm', messageWithoutValues('accepts.length-signed'), (text) =>
    within(readLength(text), -MAX_COORDINATE_MM, MAX_COORDINATE_MM, 'mm'),
  );

/** Whole number between two bounds. */
export const wholeKey = (example: string, least: number, most: number): Key<number> =>
  key(example, '', { code: 'accepts.whole', values: { least, most } }, (text) => {
    const reading = within(readNumber(text), least, most, '');
    return reading.ok && !Number.isInteger(reading.value)
      ? readFailed({ code: 'ask.not-whole', values: { value: reading.value } })
      : reading;
  });

/** Placeholder for the value to be computed. */
export const UNKNOWN_VALUE = '?';

/** A value, or `?` where it is the one to be found. */
export const valueOrUnknown = (inner: Key<number>): Key<number | typeof UNKNOWN_VALUE> => ({
  ...inner,
  accepts: { code: 'accepts.or-unknown', values: { of: inner.accepts } },
  schema: v.pipe(
    v.unknown(),
    v.rawTransform(({ dataset, addIssue, NEVER }): number | typeof UNKNOWN_VALUE => {
      if (typeof dataset.value === 'string' && dataset.value.trim() === UNKNOWN_VALUE) return UNKNOWN_VALUE;
      const read = v.safeParse(inner.schema, dataset.value);
      if (read.success) return read.output;
      addIssue({
        message: faultText({ code: 'ask.or-unknown', values: { why: parseFaultText(read.issues[0].message) } }),
      });
      return NEVER;
    }),
  ),
});

/** Several lengths above 0, typed with commas or spaces between them, or sent as a list. */
export const lengthsKey = (example: string): Key<readonly number[]> => {
  const accepts: Accepted = messageWithoutValues('accepts.lengths');
  return {
    ...key(example, 'mm', accepts, () => readFailed(messageWithoutValues('ask.nothing-chosen'))),
    schema: v.pipe(
      v.union(
        [typedText(), v.number(), listOf(v.union([typedText(), v.number()]), 'lengths', 60)],
        faultText({ code: 'ask.accepts', values: { accepts } }),
      ),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const texts = Array.isArray(dataset.value)
          ? dataset.value.map(String)
          : String(dataset.value).split(/[,;]\s*|\s+/);
        const readings = texts.filter((text) => text.trim() !== '').map((text) => readLength(text));
        const bad = readings.find((reading) => !reading.ok || reading.value <= 0 || reading.value > MAX_COORDINATE_MM);
        if (readings.length > 0 && readings.length <= 60 && !bad)
          return readings.map((reading) => (reading.ok ? reading.value : 0));
        const why: Message =
          bad && !bad.ok
            ? bad.why
            : readings.length > 60
              ? { code: 'ask.too-many', values: { most: 60 } }
              : messageWithoutValues('ask.must-be-above');
        addIssue({ message: notUnderstood(why, accepts) });
        return NEVER;
      }),
    ) as v.GenericSchema<unknown, readonly number[]>,
  };
};

/** Measured places typed as `along above`, with commas between them, or sent as a list of pairs. */
export const placesKey = (example: string): Key<readonly Place[]> => {
  const accepts: Accepted = messageWithoutValues('accepts.places');
  return {
    ...key(example, 'mm', accepts, () => readFailed(messageWithoutValues('ask.nothing-chosen'))),
    schema: v.pipe(
      v.union(
        [typedText(), listOf(v.tuple([v.number(), v.number()]), 'places', 200)],
        faultText({ code: 'ask.accepts', values: { accepts } }),
      ),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const pairs = typeof dataset.value === 'string' ? readPairs(dataset.value) : dataset.value;
        const sound =
          pairs &&
          pairs.length >= 2 &&
          pairs.length <= 200 &&
          pairs.flat().every((value) => Math.abs(value) <= MAX_COORDINATE_MM);
        if (sound) return pairs;
        addIssue({ message: notUnderstood({ code: 'ask.places', values: { mostMm: MAX_COORDINATE_MM } }, accepts) });
        return NEVER;
      }),
    ) as v.GenericSchema<unknown, readonly Place[]>,
  };
};

function readPairs(text: string): Place[] | null {
  const pairs = text.split(/[,;]/).map((pair) =>
    pair
      .trim()
      .split(/\s+/)
      .map((word) => readLength(word)),
  );
  if (pairs.some((pair) => pair.length !== 2 || pair.some((reading) => !reading.ok))) return null;
  return pairs.map((pair) => {
    const [a, b] = firstTwo(pair);
    return [a.ok ? a.value : 0, b.ok ? b.value : 0];
  });
}

/** A number between two bounds. */
export const numberKey = (example: string, least: number, most: number, unit = ''): Key<number> =>
  key(example, unit, { code: 'accepts.number', values: { least, most, unit } }, (text) =>
    within(readNumber(text), least, most, unit),
  );

/** A share from 0 to 1; `15%` is understood as 0.15. */
export const shareKey = (example: string, most = 1): Key<number> =>
  key(example, 'share', { code: 'accepts.share', values: { most } }, (text) => {
    const percent = /^\s*(.+?)\s*%\s*$/.exec(text);
    const reading = readNumber(percent ? percent[1]! : text);
    return within(reading.ok && percent ? readOk(reading.value / 100) : reading, 0, most, '');
  });

/** A time above zero, in minutes. */
export const minutesKey = (example: string, least = 0, most = 100_000): Key<number> =>
  key(example, 'min', { code: 'accepts.minutes', values: { least, most } }, (text) =>
    within(readNumber(text), least, most, 'min'),
  );

/** A temperature in °C, or in °F with that unit. */
export const temperatureKey = (example: string): Key<number> =>
  key(example, '°C', messageWithoutValues('accepts.temperature'), (text) =>
    within(readTemperature(text), -40, 80, '°C'),
  );

/** Relative humidity in percent. */
export const humidityKey = (example: string): Key<number> =>
  key(example, '%', messageWithoutValues('accepts.humidity'), readHumidity);

/** One of a few words. */
export const choiceKey = <const C extends string>(example: string, choices: readonly C[]): Key<C> => ({
  ...key(example, '', { code: 'accepts.choice', values: { choices } }, (text) => {
    const match = choices.find((choice) => choice === text.trim().toLowerCase());
    return match ? readOk(match) : readFailed({ code: 'ask.not-choice', values: { text: text.trim() } });
  }),
  choices,
});

/** The code of a tape or the id of a finish on the shelf. */
export const shelfKey = (example: string, from: 'tapes' | 'finishes'): Key<string> => ({
  ...key(
    example,
    '',
    from === 'tapes' ? messageWithoutValues('accepts.tape') : messageWithoutValues('accepts.finish'),
    (text) => (text.trim() ? readOk(text.trim()) : readFailed(messageWithoutValues('ask.nothing-chosen'))),
  ),
  from,
});

/** The same key, to be left out if one likes. */
export const optional = <T>(inner: Key<T>, fallback?: T): Key<T> => ({ ...inner, optional: true, fallback });

/** A colour as #rrggbb; the number sign is optional. */
export const colourKey = (example: string): Key<string> =>
  key(example, '', messageWithoutValues('accepts.colour'), (text) => {
    const match = /^#?([0-9a-f]{6})$/i.exec(text.trim());
    return match
      ? readOk(`#${match[1]!.toLowerCase()}`)
      : readFailed({ code: 'ask.not-colour', values: { text: text.trim() } });
  });

/** Parts by volume with colons between them, paint first. */
export const ratioKey = (example: string): Key<readonly number[]> =>
  key(example, '', messageWithoutValues('accepts.ratio'), (text) => {
    const parts = text.split(':').map((part) => readNumber(part));
    const sound = parts.length <= 4 && parts.every((part) => part.ok && part.value > 0 && part.value <= 100);
    return sound
      ? readOk(parts.map((part) => (part.ok ? part.value : 0)))
      : readFailed({ code: 'ask.not-ratio', values: { text: text.trim() } });
  });

/** Two hundred years are older than any finish. */
const MOST_AGE_MIN = 105_000_000;

/** Age of a film, minutes. */
export const ageKey = (example: string): Key<number> => minutesKey(example, 0, MOST_AGE_MIN);
