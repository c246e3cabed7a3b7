import { isAllowed, messageWithoutValues, type ShopPerson } from '@lintrel/core';
import type { Request, RequestHandler, Response } from 'express';
import type pg from 'pg';
import { changeToken, findSession } from '../db/people';
import { ApiError } from '../errors/errors';
import { newToken, tokenHash } from '../people/secrets';
import type { Route, Shop } from './route';

/** The requester: nobody in particular without sign-in, else the person of a session. */
export interface Requester {
  readonly session: string | null;
  readonly person: ShopPerson | null;
}

const ASKING = Symbol('asking');
type Asked = Request & { [ASKING]?: Requester };

/** Who sent a request. */
export const requesterOf = (request: Request): Requester =>
  (request as Asked)[ASKING] ?? { session: null, person: null };

export const SESSION_COOKIE = 'lintrel';
export const PHONE_COOKIE = 'lintrel-phone';
const COOKIE_DAYS = 60;

/** A cookie as the browser sent it; null where it sent none. */
export function cookieIn({ headers }: Pick<Request, 'headers'>, name: string): string | null {
  const cookie = (headers.cookie ?? '').split(';').find((pair) => pair.trim().startsWith(`${name}=`));
  const value = cookie?.slice(cookie.indexOf('=') + 1).trim();
  return value && /^[A-Za-z0-9_-]{20,100}$/.test(value) ? value : null;
}

/** Gives the browser a token to bring with it, for no script to read and no other page to send. */
export function setCookie(response: Response, name: string, token: string): void {
  response.cookie(name, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: response.req.secure,
    path: '/',
    maxAge: COOKIE_DAYS * 86_400_000,
  });
}

export const clearCookie = (response: Response, name: string): void => void response.clearCookie(name, { path: '/' });

/** Authorizes a request: the only place where permissions are checked. Without sign-in everything is allowed. */
export function authorize(
  { pool, signIn }: Pick<Shop, 'pool' | 'signIn'>,
  { right, ofNobody }: Pick<Route, 'right' | 'ofNobody'>,
): RequestHandler {
  return async (request, response, next) => {
    if (!signIn || ofNobody) return next();
    const token = cookieIn(request, SESSION_COOKIE);
    const session = token === null ? null : await findSession(pool, tokenHash(token));
    if (session) {
      (request as Asked)[ASKING] = { session: session.id, person: session.person };
      if (session.stale && !session.replaced) await rotate(pool, session.id, token!, response);
    }
    if (right === 'open') return next();
    if (!session) throw new ApiError(401, 'sign-in', messageWithoutValues('server.sign-in'));
    if (!isAllowed(session.person.role, right))
      throw new ApiError(403, 'not-yours', messageWithoutValues('server.not-allowed'));
    next();
  };
}

/** A token is changed now and then: one that was copied is of use only until then. */
async function rotate(pool: pg.Pool, session: string, token: string, response: Response): Promise<void> {
  const fresh = newToken();
  if (await changeToken(pool, session, tokenHash(token), fresh.hash)) setCookie(response, SESSION_COOKIE, fresh.token);
}
