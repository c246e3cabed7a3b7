import * as v from 'valibot';
import { MAX_FAULTS, type Message, messageWithoutValues, parseFaultText, truncate } from '../kit';

/** Something wrong with data, at a place in it. */
export interface Fault extends Message {
  /** Place in the file or form: `design.parts[0].lines[2].of`. */
  readonly path: string;
}

/** Writes a path for people: names joined by points, indices in brackets. */
export const pathText = (keys: readonly (string | number)[]): string =>
  keys.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : String(key)),
    '',
  );

/** What came of checking data against a schema. */
export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly Fault[] };

/**
 * Checks unknown data against a schema.
 * @param prefix path of the data itself, put before every fault's path
 */
export function checkAgainst<S extends v.GenericSchema>(
  schema: S,
  data: unknown,
  prefix = '',
): Checked<v.InferOutput<S>> {
  const result = v.safeParse(schema, data);
  if (result.success) return { ok: true, value: result.output };
  return { ok: false, faults: result.issues.slice(0, MAX_FAULTS).map((issue) => faultOf(issue, prefix)) };
}

/** Maximum characters of a key, path or message that are echoed. */
const LONGEST_KEY = 60;
const LONGEST_TEXT = 300;

function faultOf(issue: v.BaseIssue<unknown>, prefix: string): Fault {
  // Keys are echoed shortened.
  const keys = (issue.path ?? []).map(({ key }) =>
    typeof key === 'number' ? key : truncate(String(key), LONGEST_KEY),
  );
  const path = truncate(pathText(prefix ? [prefix, ...keys] : keys), LONGEST_TEXT) || '(whole file)';
  if (issue.kind === 'schema' && issue.type === 'strict_object' && issue.expected === 'never')
    return { path, ...messageWithoutValues('field.unknown') };
  if (issue.kind === 'schema' && issue.received === 'undefined')
    return { path, ...messageWithoutValues('field.missing') };
  const { code, values } = parseFaultText(issue.message);
  return {
    path,
    code,
    values: Object.fromEntries(
      Object.entries(values).map(([name, value]) => [
        name,
        typeof value === 'string' ? truncate(value, LONGEST_TEXT) : value,
      ]),
    ),
  };
}
