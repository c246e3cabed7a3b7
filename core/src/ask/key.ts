import * as v from 'valibot';
import { listOf, LONGEST_MM, readHumidity, readLength, readTemperature, refused, shortened, understood, type Reading } from '../units';

/** One value a question takes. The same key serves the form, the request body and the command line. */
export interface Key<T = unknown> {
  /** What the form calls it. */
  readonly label: string;
  /** Unit shown beside the field; empty where the value has none or carries its own. */
  readonly unit: string;
  /** What is accepted, to complete "accepts …". */
  readonly accepts: string;
  /** A sensible value, so that the form opens answered. */
  readonly example: string;
  readonly optional: boolean;
  /** What stands in when it is left out. */
  readonly fallback: T | undefined;
  /** The words to choose from; null for a typed value. */
  readonly choices: readonly string[] | null;
  /** What the form calls each of them; left out: as they are. */
  readonly labels?: readonly string[];
  /** Shelf entries to choose from, if any. */
  readonly from: 'tapes' | 'finishes' | null;
  readonly schema: v.GenericSchema<unknown, T>;
}

interface KeyWords {
  readonly label: string;
  readonly example: string;
}

/** A typed value is never longer than this; a longer one is not read, nor told back. */
const LONGEST_TYPED = 4000;
/** What was typed is told back this far. */
export const LONGEST_ECHO = 60;

const typedText = () => v.pipe(v.string(), v.maxLength(LONGEST_TYPED, `must have at most ${LONGEST_TYPED} characters`));

/** Builds a schema from a reader of typed text; numbers are read as if typed. */
function readBy<T>(accepts: string, read: (text: string) => Reading<T>): v.GenericSchema<unknown, T> {
  return v.pipe(
    v.union([v.string(), v.number()], `accepts ${accepts}`),
    v.check((value) => String(value).length <= LONGEST_TYPED, `must have at most ${LONGEST_TYPED} characters`),
    v.rawTransform(({ dataset, addIssue, NEVER }) => {
      const reading = read(String(dataset.value));
      if (reading.ok) return reading.value;
      addIssue({ message: `${shortened(reading.message, 2 * LONGEST_ECHO)} (accepts ${accepts})` });
      return NEVER;
    }),
  ) as v.GenericSchema<unknown, T>;
}

/** A value read from typed text by a reader of its own. */
export const typedKey = <T>(words: KeyWords, accepts: string, read: (text: string) => Reading<T>): Key<T> => key(words, '', accepts, read);

const key = <T>(words: KeyWords, unit: string, accepts: string, read: (text: string) => Reading<T>): Key<T> => ({
  ...words,
  unit,
  accepts,
  optional: false,
  fallback: undefined,
  choices: null,
  from: null,
  schema: readBy(accepts, read),
});

const NUMBER = /^[-−+]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i;

function readNumber(text: string): Reading<number> {
  const trimmed = text.trim();
  if (!NUMBER.test(trimmed)) return refused(`"${trimmed}" is not a number`);
  return understood(Number(trimmed.replace('−', '-')));
}

const within = (reading: Reading<number>, least: number, most: number, unit: string): Reading<number> =>
  reading.ok && !(reading.value >= least && reading.value <= most) ? refused(`must lie between ${least} and ${most}${unit && ` ${unit}`}`) : reading;

/** A length above zero, in any notation. */
export const lengthKey = (words: KeyWords): Key<number> =>
  key(words, 'mm', 'a length above 0 such as 120, 18mm, 4 3/4"', (text) => {
    const reading = readLength(text);
    if (!reading.ok) return reading;
    return reading.value > 0 && reading.value <= LONGEST_MM ? reading : refused(`must be above 0 and at most ${LONGEST_MM} mm`);
  });

/** A length that may be 0. */
export const lengthFromZeroKey = (words: KeyWords): Key<number> =>
  key(words, 'mm', 'a length from 0 such as 0, 12, 3/8', (text) => within(readLength(text), 0, LONGEST_MM, 'mm'));

/** A length of either sign. */
export const signedLengthKey = (words: KeyWords): Key<number> =>
  key(words, 'mm', 'a length of either sign such as 35 or -20', (text) => within(readLength(text), -LONGEST_MM, LONGEST_MM, 'mm'));

/** Whole number between two bounds. */
export const wholeKey = (words: KeyWords, least: number, most: number): Key<number> =>
  key(words, '', `a whole number from ${least} to ${most}`, (text) => {
    const reading = within(readNumber(text), least, most, '');
    return reading.ok && !Number.isInteger(reading.value) ? refused(`${reading.value} is not whole`) : reading;
  });

/** What stands for the value to be found. */
export const UNKNOWN = '?';

/** A value, or `?` where it is the one to be found. */
export const unknownOr = (of: Key<number>): Key<number | typeof UNKNOWN> => ({
  ...of,
  accepts: `${of.accepts}, or ? for the one to be found`,
  schema: v.pipe(
    v.unknown(),
    v.rawTransform(({ dataset, addIssue, NEVER }): number | typeof UNKNOWN => {
      if (typeof dataset.value === 'string' && dataset.value.trim() === UNKNOWN) return UNKNOWN;
      const read = v.safeParse(of.schema, dataset.value);
      if (read.success) return read.output;
      addIssue({ message: `${read.issues[0].message}; ? stands for the one to be found` });
      return NEVER;
    }),
  ),
});

/** Several lengths above 0, typed with commas or spaces between them, or sent as a list. */
export const lengthsKey = (words: KeyWords): Key<readonly number[]> => {
  const accepts = 'lengths above 0 with commas between them such as 1, 2, 3';
  return {
    ...key(words, 'mm', accepts, () => refused('')),
    schema: v.pipe(
      v.union([typedText(), v.number(), listOf(v.union([typedText(), v.number()]), 'lengths', 60)], `accepts ${accepts}`),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const texts = Array.isArray(dataset.value) ? dataset.value.map(String) : String(dataset.value).split(/[,;]\s*|\s+/);
        const readings = texts.filter((text) => text.trim() !== '').map((text) => readLength(text));
        const bad = readings.find((reading) => !reading.ok || reading.value <= 0 || reading.value > LONGEST_MM);
        if (readings.length > 0 && readings.length <= 60 && !bad) return readings.map((reading) => (reading.ok ? reading.value : 0));
        addIssue({
          message: `${bad && !bad.ok ? shortened(bad.message, 2 * LONGEST_ECHO) : readings.length > 60 ? 'are more than 60' : 'must be above 0'} (accepts ${accepts})`,
        });
        return NEVER;
      }),
    ) as v.GenericSchema<unknown, readonly number[]>,
  };
};

/** Measured places typed as `along above`, with commas between them, or sent as a list of pairs. */
export const placesKey = (words: KeyWords): Key<readonly (readonly [number, number])[]> => {
  const accepts = 'places as along and above with commas between them such as 0 120, 600 180, 1200 150';
  return {
    ...key(words, 'mm', accepts, () => refused('')),
    schema: v.pipe(
      v.union([typedText(), listOf(v.tuple([v.number(), v.number()]), 'places', 200)], `accepts ${accepts}`),
      v.rawTransform(({ dataset, addIssue, NEVER }) => {
        const pairs = typeof dataset.value === 'string' ? readPairs(dataset.value) : dataset.value;
        const sound = pairs && pairs.length >= 2 && pairs.length <= 200 && pairs.flat().every((value) => Math.abs(value) <= LONGEST_MM);
        if (sound) return pairs;
        addIssue({ message: `needs 2 to 200 places within ±${LONGEST_MM} mm (accepts ${accepts})` });
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
  return pairs.map(([a, b]) => [a.ok ? a.value : 0, b.ok ? b.value : 0]);
}

/** A number between two bounds. */
export const numberKey = (words: KeyWords, least: number, most: number, unit = ''): Key<number> =>
  key(words, unit, `a number from ${least} to ${most}${unit && ` ${unit}`}`, (text) => within(readNumber(text), least, most, unit));

/** A share from 0 to 1; `15%` is understood as 0.15. */
export const shareKey = (words: KeyWords, most = 1): Key<number> =>
  key(words, 'share', `a share from 0 to ${most} such as 0.15, or 15%`, (text) => {
    const percent = /^\s*(.+?)\s*%\s*$/.exec(text);
    const reading = readNumber(percent ? percent[1] : text);
    return within(reading.ok && percent ? understood(reading.value / 100) : reading, 0, most, '');
  });

/** A time above zero, in minutes. */
export const minutesKey = (words: KeyWords, least = 0, most = 100_000): Key<number> =>
  key(words, 'min', `minutes, from ${least} to ${most}`, (text) => within(readNumber(text), least, most, 'min'));

/** A temperature in °C, or °F when it says so. */
export const temperatureKey = (words: KeyWords): Key<number> =>
  key(words, '°C', 'a temperature such as 23 or 73 °F', (text) => within(readTemperature(text), -40, 80, '°C'));

/** Relative humidity in percent. */
export const humidityKey = (words: KeyWords): Key<number> => key(words, '%', 'a humidity in percent such as 50', readHumidity);

/** One of a few words. */
export const choiceKey = <const C extends string>(words: KeyWords, choices: readonly C[], labels?: readonly string[]): Key<C> => ({
  ...key(words, '', choices.join(' or '), (text) => {
    const found = choices.find((choice) => choice === text.trim().toLowerCase());
    return found ? understood(found) : refused(`"${text.trim()}" is not one of them`);
  }),
  choices,
  ...(labels ? { labels } : {}),
});

/** The code of a tape or the id of a finish on the shelf. */
export const shelfKey = (words: KeyWords, from: 'tapes' | 'finishes'): Key<string> => ({
  ...key(words, '', from === 'tapes' ? 'the code of a tape on the shelf such as V6' : 'the id of a finish on the shelf', (text) =>
    text.trim() ? understood(text.trim()) : refused('nothing is chosen'),
  ),
  from,
});

/** The same key, to be left out if one likes. */
export const optional = <T>(of: Key<T>, fallback?: T): Key<T> => ({ ...of, optional: true, fallback });

/** A colour as #rrggbb; the number sign may be left out. */
export const colourKey = (words: KeyWords): Key<string> =>
  key(words, '', 'a colour as six hexadecimal digits such as #f2c230', (text) => {
    const found = /^#?([0-9a-f]{6})$/i.exec(text.trim());
    return found ? understood(`#${found[1].toLowerCase()}`) : refused(`"${text.trim()}" is not a colour`);
  });

/** Parts by volume with colons between them, paint first. */
export const ratioKey = (words: KeyWords): Key<readonly number[]> =>
  key(words, '', 'parts with colons between them such as 4:1:1', (text) => {
    const parts = text.split(':').map((part) => readNumber(part));
    const sound = parts.length <= 4 && parts.every((part) => part.ok && part.value > 0 && part.value <= 100);
    return sound ? understood(parts.map((part) => (part.ok ? part.value : 0))) : refused(`"${text.trim()}" is not a mixing ratio`);
  });
