import { type ApiErrorBody, errorSchema, WORK_HEADER } from '@lintrel/core/front';
import * as v from 'valibot';
import { clock } from './clock';

/** Callbacks for when the session has ended on the server. */
export const signedOut = new Set<() => void>();

/** A refusal of the server, or its silence. */
export class RequestError extends Error {
  constructor(
    /** HTTP status; 0 where the server could not be reached. */
    readonly status: number,
    readonly body: ApiErrorBody['error'],
  ) {
    super(body.message);
  }

  /** True if the server itself refused it and would refuse it again; anything else may be retried. */
  get final(): boolean {
    return (
      this.status >= 400 &&
      this.status < 500 &&
      this.status !== 401 &&
      this.status !== 408 &&
      this.status !== 429 &&
      this.body.code !== UNCLEAR.code
    );
  }
}

/** An answer that is none of our server's: the login page of a network, or a server of another version. */
const UNCLEAR: ApiErrorBody['error'] = {
  code: 'unclear',
  message: 'Something other than the Lintrel server answered. What you typed is kept here.',
};

export const STOPPED: ApiErrorBody['error'] = { code: 'stopped', message: 'Stopped. Nothing was changed.' };

const UNREACHABLE: ApiErrorBody['error'] = {
  code: 'unreachable',
  message: 'The server cannot be reached. What you typed is kept here.',
};

/** How a request is sent that may take long: the name one asks by how far it is, and how to end it. */
export interface LongAsk {
  readonly work: string;
  readonly signal: AbortSignal;
}

/** What a request that takes long is sent with. */
export const longAsk = (long: LongAsk | undefined): { headers?: Record<string, string>; signal?: AbortSignal } =>
  long ? { headers: { [WORK_HEADER]: long.work }, signal: long.signal } : {};

/**
 * Sends a request and reads the answer by its schema.
 * @param schema shape of the answer; null where there is none
 * @param long where it may take long
 * @throws RequestError whatever goes wrong
 */
export async function request<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  schema: v.GenericSchema<unknown, T> | null,
  body?: unknown,
  long?: LongAsk,
): Promise<T> {
  const { headers, signal } = longAsk(long);
  const sent = packed(body);
  const answer = await fetch(`/api${path}`, {
    method,
    ...sent,
    headers: { ...sent.headers, ...headers },
    ...(signal ? { signal } : {}),
  }).catch(() => {
    throw new RequestError(0, signal?.aborted ? STOPPED : UNREACHABLE);
  });
  clock.hear(answer.headers.get('date'));
  const data: unknown = answer.status === 204 ? undefined : await answer.json().catch(() => undefined);
  if (!answer.ok) {
    const refusal = v.safeParse(errorSchema, data);
    if (answer.status === 401) signedOut.forEach((heard) => heard());
    throw new RequestError(answer.status, refusal.success ? refusal.output.error : UNCLEAR);
  }
  if (!schema) return undefined as T;
  const read = v.safeParse(schema, data);
  if (!read.success) throw new RequestError(answer.status, UNCLEAR);
  return read.output;
}

/** Body and content type: a blob as it is, text as JSON, anything else serialized as JSON. */
function packed(body: unknown): { body?: Blob | string; headers?: Record<string, string> } {
  if (body === undefined) return {};
  if (body instanceof Blob) return { body, headers: { 'content-type': body.type } };
  return {
    body: typeof body === 'string' ? body : JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  };
}
