import {
  type ApiErrorBody,
  type Fault,
  MAX_FAULTS,
  message,
  type MessageOf,
  messageWithoutValues,
} from '@lintrel/core';
import type { DrawingMessage, PrintMessages, TakenMessages } from '@lintrel/core/files';
import type { NotFoundKind, RefusalMessages, RequestMessages } from '@lintrel/words';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { isConnectionLost, isUnreachable } from '../db/pool';
import { WORDS } from '../words';

/** Why a request is refused, put into words where it is answered. */
export type Refusal = MessageOf<RequestMessages & PrintMessages & TakenMessages> | DrawingMessage;

/** An error reported to the client. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    refusal: Refusal,
    readonly details: Pick<ApiErrorBody['error'], 'fields' | 'versions'> = {},
    /** The versions as JSON, where they are too large to be read here only to be written again. */
    readonly versionsJson: string | null = null,
  ) {
    super(WORDS.say(refusal));
  }
}

/** Refuses data with faults at their places. */
export function invalid(faults: readonly Fault[]): ApiError {
  const fields = faults.slice(0, MAX_FAULTS).map((fault) => ({ ...fault, message: WORDS.say(fault) }));
  const refusal =
    fields.length === 1
      ? message('server.fault', { path: faults[0]!.path, fault: faults[0]! })
      : message('server.faults', { count: faults.length });
  return new ApiError(422, 'invalid', refusal, { fields });
}

/** Refuses one value. */
export const invalidAt = (path: string, refusal: MessageOf<RefusalMessages>): ApiError =>
  invalid([{ path, ...refusal }]);

export const notFound = (what: NotFoundKind, name: string | null = null): ApiError =>
  new ApiError(404, 'not-found', message('server.not-found', { what, name: name && name.slice(0, MAX_NAME_LENGTH) }));

/** Maximum length of a name or path repeated in an answer. */
const MAX_NAME_LENGTH = 200;

/** What the database refuses, by the first digits of SQLSTATE. */
const SQL_REFUSALS: Readonly<Record<string, readonly [status: number, code: string, refusal: Refusal]>> = {
  '22': [422, 'invalid', messageWithoutValues('server.not-text')],
  '23': [409, 'conflict', messageWithoutValues('server.at-odds')],
  '08': [503, 'database', messageWithoutValues('server.database-away')],
  '53': [503, 'database', messageWithoutValues('server.database-full')],
  '57': [503, 'database', messageWithoutValues('server.database-restarting')],
};

/** A query or a wait for a lock that took longer than it may. */
const QUERY_CANCELLED = '57014';
const LOCK_NOT_GOT = '55P03';

/** Errors of the body reader, by their type. */
const BODY_REFUSALS: Readonly<Record<string, readonly [status: number, code: string, refusal: Refusal]>> = {
  'entity.parse.failed': [400, 'not-json', messageWithoutValues('server.not-json')],
  'encoding.unsupported': [415, 'encoding', messageWithoutValues('server.encoding')],
  'charset.unsupported': [415, 'encoding', messageWithoutValues('server.charset')],
  'request.aborted': [400, 'aborted', messageWithoutValues('server.broken-off')],
  'request.size.invalid': [400, 'aborted', messageWithoutValues('server.broken-off')],
};

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
    return new ApiError(413, 'too-large', message('server.too-large', { bytes: limit ?? 0 }));
  if (body) return new ApiError(...body);
  if (code === QUERY_CANCELLED || code === LOCK_NOT_GOT)
    return new ApiError(503, 'database', messageWithoutValues('server.database-slow'));
  const sql = /^[0-9A-Z]{5}$/.test(code) ? SQL_REFUSALS[code.slice(0, 2)] : undefined;
  if (!sql && isConnectionLost(error))
    return new ApiError(...(isUnreachable(error) ? SQL_REFUSALS['08']! : SQL_REFUSALS['57']!));
  if (sql) return new ApiError(...sql);
  if (status && status >= 400 && status < 500)
    return new ApiError(status, 'bad-request', messageWithoutValues('server.unreadable'));
  return new ApiError(500, 'internal', messageWithoutValues('server.internal'));
}

/** A URL as logged, with secret addresses removed. */
export const loggedUrl = (url: string): string => url.replace(/^(\/(?:api\/)?(?:link|calendar)\/)[^/?#]+/, '$1…');

/** Answers what no route has answered. */
export const routeNotFound: RequestHandler = (request, _response, next) =>
  next(notFound('route', `${request.method} ${request.path}`));

/** The one place errors become answers. */
export const answerError =
  (log: Logger): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const { status, code, message: text, details, versionsJson } = toApiError(error);
    if (status >= 500) log.error({ err: error, method: request.method, url: loggedUrl(request.originalUrl) }, text);
    const body: ApiErrorBody = { error: { code, message: text, ...details } };
    response.status(status);
    if (versionsJson === null) response.json(body);
    else response.type('application/json').send(`${JSON.stringify(body).slice(0, -2)},"versions":${versionsJson}}}`);
  };
