import * as v from 'valibot';
import { LONGEST_MM } from './tolerances';

// The building blocks of every schema: one message for one kind of mistake, wherever it is made.

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
