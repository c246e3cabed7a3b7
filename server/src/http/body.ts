import type { Checked } from '@lintrel/core';
import { messageWithoutValues } from '@lintrel/core';
import express, { type Request, type RequestHandler, type Response } from 'express';
import { ApiError, invalid } from '../errors/errors';
import { jsonFrom, type JsonRead } from '../work/json';

/** Maximum size of a body, bytes, however small it was packed. What anyone on the network may send is small. */
export const BODY_BYTES = { open: 10_000, usual: 200_000, log: 2_500_000, design: 4_000_000 } as const;

/** From this size on a body is read in another process: reading it here would hold up everyone else. */
const LARGE_BYTES = 200_000;

/** Reads a body as bytes, whatever it is. */
export const bytesBody = (limit: number): RequestHandler => express.raw({ type: () => true, limit });

/** Bytes of a body that was read so; none where there was no body. */
export const bytesOf = (body: unknown): Buffer => (Buffer.isBuffer(body) ? body : Buffer.alloc(0));

/**
 * Reads a body as JSON, of limited size, depth and number of values.
 * @param elsewhere reads a large one in another process
 */
export function jsonBody(
  limit: number,
  elsewhere: (request: Request, response: Response, bytes: Buffer) => Promise<JsonRead>,
): RequestHandler[] {
  const parse: RequestHandler = async (request, response, next) => {
    // A body of another type, or none: the schema of the route reports what is missing.
    if (!Buffer.isBuffer(request.body)) request.body = undefined;
    else {
      refuseCharset(request.headers['content-type']);
      const bytes = request.body;
      request.body = valueOf(bytes.length > LARGE_BYTES ? await elsewhere(request, response, bytes) : jsonFrom(bytes));
    }
    next();
  };
  return [express.raw({ type: 'application/json', limit }), parse];
}

/** What was read, or its refusal. */
export function valueOf<T>(read: Checked<T> | { readonly ok: false; readonly notJson: true }): T {
  if (read.ok) return read.value;
  if ('notJson' in read) throw new ApiError(400, 'not-json', messageWithoutValues('server.not-json'));
  throw invalid(read.faults);
}

function refuseCharset(type = ''): void {
  const charset = /charset\s*=\s*"?([^\s;"]+)/i.exec(type)?.[1];
  if (charset !== undefined && !/^utf-?8$/i.test(charset))
    throw new ApiError(415, 'encoding', messageWithoutValues('server.charset'));
}
