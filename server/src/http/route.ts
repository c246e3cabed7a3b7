import type { Permission, ShopPerson } from '@lintrel/core';
import { messageWithoutValues } from '@lintrel/core';
import { type Request, type RequestHandler, type Response, Router } from 'express';
import type pg from 'pg';
import type { Logger } from 'pino';
import type * as v from 'valibot';
import type { Backups } from '../backup/nightly';
import type { Cutting } from '../cutter';
import type { Hub } from '../live/hub';
import type { SensorListener } from '../sensor/listen';
import { progressOf, type Works } from '../work/progress';
import type { WorkerPool } from '../work/worker-pool';
import { BODY_BYTES, bytesBody, jsonBody } from './body';
import { rateLimiter } from './rate-limit';
import { authorize, requesterOf } from './requester';
import type { Trust } from './trust';
import { bodyOf, checkedAnswer } from './validate';

/** What a server works with; the same for all its requests. */
export interface Shop {
  readonly pool: pg.Pool;
  readonly log: Logger;
  readonly workshop: WorkerPool;
  readonly hub: Hub;
  /** What masks are sent to. */
  readonly cutter: Cutting;
  /** Whether signing in is required. */
  readonly signIn: boolean;
  /** Maximum sign-in attempts per minute and address. */
  readonly tries: number;
  /** How phones come to trust it. */
  readonly trust: Trust;
  /** The daily backups; null: none are made. */
  readonly backups: Backups | null;
  /** The sensor of the air; null: there is none. */
  readonly sensor: SensorListener | null;
  /** The time, ms. */
  readonly now: () => number;
  /** Work in progress, for pages that wait. */
  readonly works: Works;
}

/** One request: server, requester, input. */
export interface Context<B = unknown> {
  readonly shop: Shop;
  readonly db: pg.Pool;
  /** Null without sign-in. */
  readonly person: ShopPerson | null;
  readonly session: string | null;
  /** Author of what this request stores; null without sign-in. */
  readonly author: string | null;
  readonly now: () => number;
  readonly log: Logger;
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, unknown>>;
  /** Read by the schema of the route. */
  readonly body: B;
  /** Runs a long task in a worker process, ended with this request. */
  readonly run: WorkerPool['run'];
  readonly request: Request;
  readonly response: Response;
}

type Schema = v.GenericSchema;
/** What a route answers: data of a schema; nothing; or it writes its answer itself (files, text, a stream). */
export type Answer = Schema | 'nothing' | 'own';
type Worked<A extends Answer> = A extends Schema ? v.InferInput<A> | v.InferOutput<A> : void;

interface Asked {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Below /api. */
  readonly path: string;
  readonly right: Permission;
  /** Very frequent: the requester is not looked up. */
  readonly ofNobody?: true;
  /** Rate limit of this route: against guessing, or against polling too often. */
  readonly slow?: 'guessing' | 'looking';
  /** How the body comes: as JSON, or as the bytes that were sent. Left out: as JSON where the route has a schema for it. */
  readonly reads?: 'bytes';
  /** Maximum size of the body, bytes; left out: what is usual for those who may send it. */
  readonly maxBytes?: number;
  readonly status?: 200 | 201;
}

/** One request the server answers. */
export interface Route extends Asked {
  readonly body: Schema | null;
  readonly answer: Answer;
  readonly work: (context: Context<never>) => unknown;
}

/** A route, its body and answer typed by their schemas. */
export function route<A extends Answer, B extends Schema | undefined = undefined>(
  given: Asked & {
    readonly body?: B;
    readonly answer: A;
    readonly work: (
      context: Context<B extends Schema ? v.InferOutput<B> : undefined>,
    ) => Worked<A> | Promise<Worked<A>>;
  },
): Route {
  return { ...given, body: given.body ?? null };
}

/** So often one address may look at what is for customers, in a minute. */
const LOOKS_A_MINUTE = 60;

/** Answers routes: authorizes, limits the rate, parses, runs, checks the answer. The only place where this is done. */
export function answerRoutes(routes: readonly Route[], shop: Shop): Router {
  const router = Router();
  const slow = {
    guessing: rateLimiter(shop.tries, messageWithoutValues('server.too-many-tries'), true),
    looking: rateLimiter(LOOKS_A_MINUTE, messageWithoutValues('server.too-many-requests')),
  };
  for (const candidate of routes) {
    const before: RequestHandler[] = [authorize(shop, candidate)];
    if (candidate.slow) before.push(slow[candidate.slow]);
    const maxBytes = candidate.maxBytes ?? (candidate.right === 'open' ? BODY_BYTES.open : BODY_BYTES.usual);
    if (candidate.reads) before.push(bytesBody(maxBytes));
    else if (candidate.body)
      before.push(
        ...jsonBody(maxBytes, (request, response, bytes) =>
          shop.workshop.run('parseJson', bytes, { answering: response, person: rateLimitKey(shop, request) }),
        ),
      );
    router[METHODS[candidate.method]](candidate.path, ...before, async (request, response) => {
      const value = await candidate.work(contextOf(shop, candidate, request, response) as Context<never>);
      if (candidate.answer === 'own') return;
      response.status(candidate.answer === 'nothing' ? 204 : (candidate.status ?? 200));
      if (candidate.answer === 'nothing') response.end();
      else response.json(checkedAnswer(candidate.answer, value as v.InferInput<Schema>));
    });
  }
  return router;
}

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', DELETE: 'delete' } as const;

/** Key of per-person limits: the person, else the address; null without sign-in. */
const rateLimitKey = ({ signIn }: Pick<Shop, 'signIn'>, request: Request): string | null =>
  signIn ? (requesterOf(request).person?.id ?? request.ip ?? 'unknown') : null;

function contextOf(shop: Shop, { body }: Route, request: Request, response: Response): Context {
  const { person, session } = requesterOf(request);
  return {
    shop,
    db: shop.pool,
    person,
    session,
    author: person?.name ?? null,
    now: shop.now,
    log: shop.log,
    params: request.params as Record<string, string>,
    query: request.query,
    body: body ? bodyOf(body, request.body) : undefined,
    run: (name, input) =>
      shop.workshop.run(name, input, {
        answering: response,
        tell: progressOf(shop.works, request, response),
        person: rateLimitKey(shop, request),
      }),
    request,
    response,
  };
}
