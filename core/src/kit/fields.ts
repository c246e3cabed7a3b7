import * as v from 'valibot';
import { faultText, type ListName } from './fault-text';
import type { StepId } from './ids';
import { messageWithoutValues } from './message';
import { MAX_COORDINATE_MM } from './tolerances';

// The building blocks of every schema: one message for one kind of mistake, wherever it is made.

/** At most this many faults are looked for at once; the rest show when these are mended. */
export const MAX_FAULTS = 50;

/**
 * A list of bounded length. The length is checked before the contents, and checking stops after MAX_FAULTS faults,
 * so that invalid data cost no more than valid data.
 * @param what code of the things listed
 */
export function listOf<T extends v.GenericSchema>(
  item: T,
  what: ListName,
  most: number,
  least = 0,
): v.ArraySchema<T, string> {
  const needs = faultText({ code: 'field.list', values: { what } });
  const tooMany = v.maxLength<unknown[], number, string>(
    most,
    faultText({ code: 'field.list-most', values: { what, most } }),
  );
  const enough = v.minLength<unknown[], number, string>(
    least,
    faultText({ code: 'field.list-least', values: { what, least } }),
  );
  const list = v.pipe(v.array(item, needs), ...(least > 0 ? [enough] : []), tooMany);
  const run: (typeof list)['~run'] = (dataset, config) => {
    const given = dataset.value;
    if (Array.isArray(given) && given.length > most)
      return tooMany['~run']({ typed: true, value: given }, config) as ReturnType<typeof run>;
    let faults = 0;
    const counting: v.GenericSchema = {
      ...item,
      '~run': (other, settings) => {
        if (faults >= MAX_FAULTS) return other as v.UnknownDataset;
        const result = item['~run'](other, settings);
        faults += result.issues?.length ?? 0;
        return result;
      },
    };
    return v.pipe(v.array(counting, needs), enough)['~run'](dataset, config) as ReturnType<typeof run>;
  };
  return { ...list, '~run': run } as unknown as v.ArraySchema<T, string>;
}

/** The unit of a number, for `unitAt` and the JSON schema. */
const unitMark = (unit: string) => v.metadata<number, { readonly unit?: string }>(unit === '' ? {} : { unit });

/** Finite number between two bounds, both allowed; `unit` stands in the message, and `unitAt` reads it. */
export const numberBetween = (least: number, most: number, unit = '') =>
  v.pipe(
    v.number(faultText({ code: 'field.number', values: { least, most, unit } })),
    unitMark(unit),
    v.check(
      (value) => Number.isFinite(value) && value >= least && value <= most,
      faultText({ code: 'field.between', values: { least, most, unit } }),
    ),
  );

/** Nothing that is measured or counted here is smaller: what is, is a slip, and lets sums run over. */
const LEAST_POSITIVE = 0.001;
/** No length is shorter, mm: outlines are laid on a grid of a thousandth. */
const LEAST_LENGTH_MM = 0.01;

/** Finite number above zero, and not so small that it cannot be meant. */
export const positiveUpTo = (most: number, unit = '', least = LEAST_POSITIVE) =>
  v.pipe(
    v.number(faultText({ code: 'field.number-above', values: { most, unit } })),
    unitMark(unit),
    v.check((value) => value > 0 && value <= most, faultText({ code: 'field.above', values: { most, unit } })),
    v.check(
      (value) => !(value > 0) || value >= least,
      faultText({ code: 'field.between', values: { least, most, unit } }),
    ),
  );

/** Coordinate or offset in millimetres, either sign. */
export const coordinate = () => numberBetween(-MAX_COORDINATE_MM, MAX_COORDINATE_MM, 'mm');

/** Length in millimetres above zero. */
export const lengthMm = () => positiveUpTo(MAX_COORDINATE_MM, 'mm', LEAST_LENGTH_MM);

/** Whole number between two bounds. */
export const wholeBetween = (least: number, most: number) =>
  v.pipe(
    v.number(faultText({ code: 'field.whole-number', values: { least, most } })),
    v.check(
      (value) => Number.isInteger(value) && value >= least && value <= most,
      faultText({ code: 'field.whole', values: { least, most } }),
    ),
  );

/** A name given by a person: not empty, one line, at most 120 characters. Stored as typed. */
export const nameText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.name'))),
    v.check((text) => text.trim() !== '', faultText(messageWithoutValues('field.name'))),
    v.maxLength(120, faultText({ code: 'field.letters', values: { most: 120 } })),
    v.check((text) => !hasControls(text), faultText(messageWithoutValues('field.one-line'))),
  );

/** Free text: may be empty, at most 4000 characters, line breaks allowed. */
export const noteText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.text'))),
    v.maxLength(4000, faultText({ code: 'field.letters', values: { most: 4000 } })),
    v.check((text) => !hasControls(text.replace(/[\n\r\t]/g, '')), faultText(messageWithoutValues('field.controls'))),
  );

/** Short identifier inside a job file: letters, digits, hyphen, underscore. */
export const idText = <I extends string = string>() =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.id-needed'))),
    v.regex(/^[A-Za-z0-9_.-]{1,40}$/, faultText(messageWithoutValues('field.id'))),
  ) as unknown as v.GenericSchema<string, I>;

/** Id of a step of a plan. It is composed of several ids, so it may be long. */
export const stepText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.id-needed'))),
    v.regex(/^[^\s"'<>\\]{1,400}$/, faultText(messageWithoutValues('field.step'))),
  ) as unknown as v.GenericSchema<string, StepId>;

/** True or false. */
export const booleanField = () => v.boolean(faultText(messageWithoutValues('field.boolean')));

/** One of a few words. */
export const oneOfWords = <const C extends readonly string[]>(choices: C) =>
  v.picklist(choices, faultText({ code: 'field.choice', values: { choices } }));

/** An id made by a device. */
export const uuidText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.id-needed'))),
    v.uuid(faultText(messageWithoutValues('field.uuid'))),
  );

/** Colour as #rrggbb. */
export const colourText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.colour-needed'))),
    v.regex(/^#[0-9a-f]{6}$/i, faultText(messageWithoutValues('field.colour'))),
    v.toLowerCase(),
  );

/** Instant in ISO 8601 UTC with milliseconds, as JSON writes dates. */
export const instantText = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.time-needed'))),
    v.check(
      (text) => /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/.test(text) && !Number.isNaN(Date.parse(text)),
      faultText(messageWithoutValues('field.time')),
    ),
  );

function hasControls(text: string): boolean {
  // eslint-disable-next-line no-control-regex -- control characters are exactly what is refused
  return /[\u0000-\u001f\u007f]/.test(text);
}
