import * as v from 'valibot';
import { LONGEST_MM } from './tolerances';

// The building blocks of every schema: one message for one kind of mistake, wherever it is made.

/** At most this many faults are looked for at once; the rest show when these are mended. */
export const MOST_FAULTS = 50;

/**
 * A list of bounded length. Its length is looked at before its contents, and after MOST_FAULTS faults nobody looks any further:
 * data that are refused cost no more than sound ones.
 * @param what the things listed, to complete the messages: "parts"
 */
export function listOf<T extends v.GenericSchema>(item: T, what: string, most: number, least = 0): v.ArraySchema<T, string> {
  const needs = `needs a list of ${what}`;
  const tooMany = v.maxLength<unknown[], number, string>(most, `has at most ${most} ${what}`);
  const enough = v.minLength<unknown[], number, string>(least, `needs at least ${least} ${what}`);
  const list = v.pipe(v.array(item, needs), ...(least > 0 ? [enough] : []), tooMany);
  const run: (typeof list)['~run'] = (dataset, config) => {
    const given = dataset.value;
    if (Array.isArray(given) && given.length > most) return tooMany['~run']({ typed: true, value: given }, config) as ReturnType<typeof run>;
    let faults = 0;
    const counting: v.GenericSchema = {
      ...item,
      '~run': (one, settings) => {
        if (faults >= MOST_FAULTS) return one as v.UnknownDataset;
        const found = item['~run'](one, settings);
        faults += found.issues?.length ?? 0;
        return found;
      },
    };
    return v.pipe(v.array(counting, needs), enough)['~run'](dataset, config) as ReturnType<typeof run>;
  };
  return { ...list, '~run': run } as unknown as v.ArraySchema<T, string>;
}

/** Finite number between two bounds, both allowed; `unit` only completes the message. */
export const numberBetween = (least: number, most: number, unit = '') =>
  v.pipe(
    v.number(`needs a number from ${least} to ${most}${unit && ` ${unit}`}`),
    v.check((value) => Number.isFinite(value) && value >= least && value <= most, `must lie between ${least} and ${most}${unit && ` ${unit}`}`),
  );

/** Finite number above zero. */
export const positiveUpTo = (most: number, unit = '') =>
  v.pipe(
    v.number(`needs a number above 0 and up to ${most}${unit && ` ${unit}`}`),
    v.check((value) => value > 0 && value <= most, `must be above 0 and at most ${most}${unit && ` ${unit}`}`),
  );

/** Coordinate or offset in millimetres, either sign. */
export const coordinate = () => numberBetween(-LONGEST_MM, LONGEST_MM, 'mm');

/** Length in millimetres above zero. */
export const lengthMm = () => positiveUpTo(LONGEST_MM, 'mm');

/** Whole number between two bounds. */
export const wholeBetween = (least: number, most: number) =>
  v.pipe(
    v.number(`needs a whole number from ${least} to ${most}`),
    v.check((value) => Number.isInteger(value) && value >= least && value <= most, `must be a whole number from ${least} to ${most}`),
  );

/** A name a person gives: not empty, one line, at most 120 characters. Kept as typed. */
export const nameText = () =>
  v.pipe(
    v.string('needs a name'),
    v.check((text) => text.trim() !== '', 'needs a name'),
    v.maxLength(120, 'must have at most 120 characters'),
    v.check((text) => !hasControls(text), 'must be one line without control characters'),
  );

/** Free text: may be empty, up to 4000 characters, line breaks allowed. */
export const noteText = () =>
  v.pipe(
    v.string('needs text'),
    v.maxLength(4000, 'must have at most 4000 characters'),
    v.check((text) => !hasControls(text.replace(/[\n\r\t]/g, '')), 'must not hold control characters'),
  );

/** Short identifier inside a job file: letters, digits, hyphen, underscore. */
export const idText = () =>
  v.pipe(v.string('needs an id'), v.regex(/^[A-Za-z0-9_.-]{1,40}$/, 'must be 1 to 40 letters, digits, hyphens, points or underscores'));

/** Colour as #rrggbb. */
export const colourText = () => v.pipe(v.string('needs a colour'), v.regex(/^#[0-9a-f]{6}$/i, 'must be a colour such as #f5f3ea'), v.toLowerCase());

/** Instant in ISO 8601 UTC with milliseconds, as JSON writes dates. */
export const instantText = () =>
  v.pipe(
    v.string('needs a time'),
    v.check(
      (text) => /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/.test(text) && !Number.isNaN(Date.parse(text)),
      'must be a time such as 2026-05-04T13:30:00.000Z',
    ),
  );

function hasControls(text: string): boolean {
  // eslint-disable-next-line no-control-regex -- control characters are exactly what is refused
  return /[\u0000-\u001f\u007f]/.test(text);
}
