import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Job, type Role, ROLES, SHIPPED_SHELF } from '@lintrel/core';
import fc from 'fast-check';
import type { Route } from '../http/route';
import { ROUTES } from '../http/routes';
import { ROOT } from '../paths';

// Requests nobody sends who means well, for tests: any route, as anybody, with data that is nearly sound, nonsense or no data at all.

/** What a sound request would bring, by route; mutated it is nearly sound. */
const sound = (job: Job): Readonly<Record<string, unknown>> => ({
  '/jobs': { title: 'T', kind: 'boat', scale: 1 },
  '/jobs/import': JSON.parse(readFileSync(join(ROOT, 'examples/marigold.json'), 'utf8')),
  '/jobs/:id': { revision: job.revision, design: job.design },
  '/jobs/:id/start': {
    revision: job.revision,
    event: { id: randomUUID(), version: 2, at: new Date().toISOString(), kind: 'start', step: null, note: '' },
  },
  '/jobs/:id/log': {
    entries: [
      {
        id: randomUUID(),
        version: 2,
        at: new Date().toISOString(),
        kind: 'done',
        step: 'x',
        note: '',
        sheet: 1,
        device: 'd',
      },
    ],
  },
  '/jobs/:id/print': { what: 'template', part: job.design.parts[0]!.id, paper: 'A4', unit: 'mm' },
  '/jobs/:id/drawing': { part: job.design.parts[0]!.id, format: 'svg' },
  '/shelf/tapes': SHIPPED_SHELF.tapes[0],
  '/shelf/tapes/:key': SHIPPED_SHELF.tapes[0],
  '/shelf/finishes': SHIPPED_SHELF.finishes[0],
  '/shelf/finishes/:key': SHIPPED_SHELF.finishes[0],
  '/shelf/supplies': SHIPPED_SHELF.supplies?.[0],
  '/shelf/moves': {
    id: randomUUID(),
    at: new Date().toISOString(),
    stuff: 'tapes',
    code: 'F6',
    reason: 'counted',
    packs: 2,
    note: '',
  },
  '/drawings': { text: '<svg viewBox="0 0 10 10"><path d="M0 0L1 1"/></svg>' },
  '/people': { name: 'N', role: 'helper', passphrase: 'long enough it is' },
  '/sign-in': { name: 'owner', passphrase: 'x', device: 'd' },
  '/cutter': { job: job.id, widthMm: 300 },
});

const NASTY: readonly unknown[] = [
  null,
  '',
  ' ',
  0,
  -1,
  1e-300,
  1e300,
  0.5,
  true,
  [],
  {},
  [[]],
  '\u0000',
  '../../etc',
  '<script>',
  "'; DROP TABLE jobs; --",
  'x'.repeat(5000),
  '9'.repeat(400),
  { __proto__: { admin: true } },
  { constructor: 1 },
  Array.from({ length: 2000 }, () => 0),
  '2026-13-45T99:99:99.999Z',
  '00000000-0000-0000-0000-000000000000',
  '\ud800',
  'İ̷',
];

/** Data with one place of it replaced, picked by some numbers. */
function mutated(data: unknown, picks: readonly number[], nasty: unknown): unknown {
  const [pick, ...rest] = picks;
  if (typeof data !== 'object' || data === null || pick === undefined) return nasty;
  const keys = Object.keys(data);
  if (keys.length === 0) return nasty;
  const key = keys[pick % keys.length]!;
  const value = mutated((data as Record<string, unknown>)[key], rest, nasty);
  return Array.isArray(data)
    ? data.map((item: unknown, index) => (String(index) === key ? value : item))
    : { ...data, [key]: value };
}

const hostile = fc.record({
  route: fc.constantFrom(...ROUTES.filter(({ path }) => path !== '/live')),
  role: fc.constantFrom<Role | null>(null, ...ROLES),
  own: fc.boolean(),
  param: fc.oneof(
    fc.constantFrom('..%2f..%2fetc', '%00', 'x'.repeat(300), '-1', '1e9', 'V6', 'wrap', '__proto__'),
    fc.uuid(),
    fc.webSegment(),
  ),
  query: fc.oneof(
    fc.constant(''),
    fc.constantFrom(
      '?after=x',
      '?after=-1',
      '?after[]=1',
      '?have=1e9',
      '?state[a]=b',
      '?was=x',
      '?after=99999999999999999999',
    ),
  ),
  body: fc.oneof(
    {
      weight: 3,
      arbitrary: fc.record({
        picks: fc.array(fc.nat(20), { minLength: 1, maxLength: 6 }),
        nasty: fc.constantFrom(...NASTY),
      }),
    },
    { weight: 1, arbitrary: fc.record({ any: fc.jsonValue({ maxDepth: 4 }) }) },
    { weight: 1, arbitrary: fc.record({ raw: fc.constantFrom('', '{', 'null', '[]', '"x"', '{"a":1}}', '\u0000') }) },
  ),
});

/** One of them. */
export interface HostileRequest {
  readonly route: Route;
  readonly role: Role | null;
  readonly url: string;
  /** The body as it is sent; routes that bring none pass it over. */
  readonly sent: string;
}

/** Makes hostile requests, others each time; what would end the sessions of those who send them is left out. */
export function hostileRequests(job: Job, count: number): HostileRequest[] {
  return fc
    .sample(hostile, { numRuns: count })
    .flatMap(({ route, role, own, param, query, body }): HostileRequest[] => {
      const { path } = route;
      if (
        role !== null &&
        (path === '/sign-out' ||
          path.startsWith('/people/') ||
          path.startsWith('/sessions/') ||
          path.startsWith('/me/'))
      )
        return [];
      const url = `/api${path.replace(':id', own ? job.id : param).replace(/:[a-z]+/g, param)}${query}`;
      const sent =
        'raw' in body
          ? body.raw
          : JSON.stringify('any' in body ? body.any : mutated(sound(job)[path] ?? {}, body.picks, body.nasty));
      return [{ route, role, url, sent }];
    });
}
