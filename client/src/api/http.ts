import { errorSchema, type ApiErrorBody } from '@lintrel/core';
import * as v from 'valibot';

/** A refusal of the server, or its silence. */
export class RequestError extends Error {
  constructor(
    /** HTTP status; 0 where the server could not be reached. */
    readonly status: number,
    readonly body: ApiErrorBody['error'],
  ) {
    super(body.message);
  }
}

const UNREACHABLE: ApiErrorBody['error'] = { code: 'unreachable', message: 'The server cannot be reached. What you typed is kept here.' };

/**
 * Sends a request and reads the answer by its schema.
 * @param schema shape of the answer; null where there is none
 */
export async function request<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  schema: v.GenericSchema<unknown, T> | null,
  body?: unknown,
): Promise<T> {
  const answer = await fetch(`/api${path}`, {
    method,
    headers: body === undefined ? {} : { 'content-type': 'application/json' },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  }).catch(() => {
    throw new RequestError(0, UNREACHABLE);
  });
  const data: unknown = answer.status === 204 ? undefined : await answer.json().catch(() => undefined);
  if (!answer.ok) {
    const refusal = v.safeParse(errorSchema, data);
    throw new RequestError(answer.status, refusal.success ? refusal.output.error : { code: 'unclear', message: `The server answered ${answer.status}.` });
  }
  return (schema ? v.parse(schema, data) : undefined) as T;
}
