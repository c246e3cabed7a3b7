import { checkAgainst } from '@lintrel/core';
import type { NotFoundKind } from '@lintrel/words';
import * as v from 'valibot';
import { invalid, notFound } from '../errors/errors';

/** Reads a request body by its schema, or refuses it with a fault at every place. */
export function bodyOf<S extends v.GenericSchema>(schema: S, body: unknown): v.InferOutput<S> {
  const checked = checkAgainst(schema, body);
  if (!checked.ok) throw invalid(checked.faults);
  return checked.value;
}

/** The id in a path; anything that is none leads nowhere. */
export function uuidOf(text: unknown, what: NotFoundKind): string {
  if (!v.is(v.pipe(v.string(), v.uuid()), text)) throw notFound(what);
  return text as string;
}

/** Checks an answer by the schema the client reads it with: a wrong one is a fault here, not there. */
export const checkedAnswer = <S extends v.GenericSchema>(schema: S, data: v.InferInput<S>): v.InferOutput<S> =>
  v.parse(schema, data);
