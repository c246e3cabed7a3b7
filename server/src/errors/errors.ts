import { type ApiErrorBody, type Fault, MAX_FAULTS, type MessageOf } from '@lintrel/core';
import type { RefusalMessages } from '@lintrel/words';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { isConnectionLost, isUnreachable } from '../db/pool';
import { WORDS } from '../words';

/** An error reported to the client. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly details: Pick<ApiErrorBody['error'], 'fields' | 'versions'> = {},
    /** The versions as JSON, where they are too large to be read here only to be written again. */
    readonly versionsJson: string | null = null,
  ) {
    super(message);
  }
}

/** Refuses data with faults at their places. */
export function invalid(faults: readonly Fault[]): ApiError {
  const fields = faults.slice(0, MAX_FAULTS).map((fault) => ({ ...fault, message: WORDS.say(fault) }));
  const message =
    fields.length === 1 ? `${fields[0]!.path}: ${fields[0]!.message}` : `${faults.length} things need mending`;
  return new ApiError(422, 'invalid', message, { fields });
}

/** Refuses one value. */
export const invalidAt = (path: string, refusal: MessageOf<RefusalMessages>): ApiError =>
  invalid([{ path, ...refusal }]);

export const notFound = (what: string): ApiError => new ApiError(404, 'not-found', `There is no ${what} here.`);

/** What the database refuses, by the first digits of SQLSTATE. */
const SQL_REFUSALS: Readonly<Record<string, readonly [status: number, code: string, message: string]>> = {
  '22': [422, 'invalid', 'Part of this text cannot be stored: it holds characters that are not text.'],
  '23': [409, 'conflict', 'This is at odds with what is kept already. Load it anew and try again.'],
  '08': [503, 'database', 'The database cannot be reached. Nothing was changed; try again.'],
  '53': [503, 'database', 'The database is at its limit. Nothing was changed; try again.'],
  '57': [503, 'database', 'The database is restarting. Try again: what arrived before is not kept twice.'],
};

/** A query or a wait for a lock that took longer than it may. */
const QUERY_CANCELLED = '57014';
const LOCK_NOT_GOT = '55P03';

/** Errors of the body reader, by their type. */
const BODY_REFUSALS: Readonly<Record<string, readonly [status: number, code: string, message: string]>> = {
  'entity.parse.failed': [400, 'not-json', 'The body is not JSON.'],
  'encoding.unsupported': [415, 'encoding', 'The body is in an encoding that is not read here.'],
  'charset.unsupported': [415, 'encoding', 'The body is in a character set that is not read here.'],
  'request.aborted': [400, 'aborted', 'The request broke off.'],
  'request.size.invalid': [400, 'aborted', 'The request broke off.'],
};

const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${Math.round(bytes / 1e3)} kB` : `${Math.round(bytes / 1e6)} MB`;

/** Turns anything thrown into the one error there is an answer for. */
export function toApiError(error: unknown): ApiError {
  if (error instanceof ApiError) return error;
  const {
    code = '',
    type = '',
    status,
    limit,
  } = (error ?? {}) as { code?: string; type?: string; status?: number; limit?: number };
  const body = BODY_REFUSALS[type];
  if (type === 'entity.too.large')
    return new ApiError(413, 'too-large', `This is too large: at most ${sizeText(limit ?? 0)}.`);
  if (body) return new ApiError(...body);
  if (code === QUERY_CANCELLED || code === LOCK_NOT_GOT)
    return new ApiError(503, 'database', 'The database took too long. Try again in a moment.');
  const sql = /^[0-9A-Z]{5}$/.test(code) ? SQL_REFUSALS[code.slice(0, 2)] : undefined;
  if (!sql && isConnectionLost(error))
    return new ApiError(...(isUnreachable(error) ? SQL_REFUSALS['08']! : SQL_REFUSALS['57']!));
  if (sql) return new ApiError(...sql);
  if (status && status >= 400 && status < 500)
    return new ApiError(status, 'bad-request', 'The request cannot be read.');
  return new ApiError(500, 'internal', 'Something went wrong on the server. Nothing was changed; try again.');
}

/** A URL as logged, with secret addresses removed. */
export const loggedUrl = (url: string): string => url.replace(/^(\/(?:api\/)?(?:link|calendar)\/)[^/?#]+/, '$1…');

/** Answers what no route has answered. */
export const routeNotFound: RequestHandler = (request, _response, next) =>
  next(notFound(`${request.method} ${request.path}`.slice(0, 200)));

/** The one place errors become answers. */
export const answerError =
  (log: Logger): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const { status, code, message, details, versionsJson } = toApiError(error);
    if (status >= 500) log.error({ err: error, method: request.method, url: loggedUrl(request.originalUrl) }, message);
    const body: ApiErrorBody = { error: { code, message, ...details } };
    response.status(status);
    if (versionsJson === null) response.json(body);
    else response.type('application/json').send(`${JSON.stringify(body).slice(0, -2)},"versions":${versionsJson}}}`);
  };
