import * as v from 'valibot';

/** Something wrong with data, at a place in it. */
export interface Fault {
  /** Place in the file or form: `design.parts[0].lines[2].of`. */
  readonly path: string;
  readonly message: string;
}

/** Writes a path for people: names joined by points, indices in brackets. */
export const pathText = (keys: readonly (string | number)[]): string =>
  keys.reduce<string>((text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : String(key)), '');

/** What came of checking data against a schema. */
export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly Fault[] };

/** At most this many faults are told at once; the rest show when these are mended. */
const MOST_FAULTS = 50;

/**
 * Checks unknown data against a schema.
 * @param prefix path of the data itself, put before every fault's path
 */
export function checkAgainst<S extends v.GenericSchema>(schema: S, data: unknown, prefix = ''): Checked<v.InferOutput<S>> {
  const result = v.safeParse(schema, data);
  if (result.success) return { ok: true, value: result.output };
  return { ok: false, faults: result.issues.slice(0, MOST_FAULTS).map((issue) => faultOf(issue, prefix)) };
}

function faultOf(issue: v.BaseIssue<unknown>, prefix: string): Fault {
  const keys = (issue.path ?? []).map(({ key }) => key as string | number);
  const path = pathText(prefix ? [prefix, ...keys] : keys) || '(whole file)';
  if (issue.kind === 'schema' && issue.type === 'strict_object' && issue.expected === 'never') return { path, message: 'is not known here' };
  if (issue.kind === 'schema' && issue.received === 'undefined') return { path, message: 'is missing' };
  return { path, message: issue.message };
}
