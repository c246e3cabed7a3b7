import type { Role } from '@lintrel/core';

/** What one needs to be allowed a request. `open`: nothing; `signed`: to be somebody. */
export type Right = 'open' | 'signed' | 'look' | 'run' | 'plan' | 'shelf' | 'shop' | 'people';

/** What each role may. */
const MAY: Readonly<Record<Role, readonly Right[]>> = {
  owner: ['open', 'signed', 'look', 'run', 'plan', 'shelf', 'shop', 'people'],
  painter: ['open', 'signed', 'look', 'run', 'plan', 'shelf', 'shop'],
  helper: ['open', 'signed', 'look', 'run'],
  viewer: ['open', 'signed', 'look'],
};

export const may = (role: Role, right: Right): boolean => MAY[role].includes(right);

/** Every request the server answers, below /api, with what it needs. One that is not here is nobody's. */
export const RIGHTS: readonly (readonly [method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, right: Right])[] = [
  ['GET', '/alive', 'open'],
  ['GET', '/health', 'open'],
  ['GET', '/trust', 'open'],
  ['GET', '/trust/certificate', 'open'],
  ['GET', '/trust/code.svg', 'open'],
  ['GET', '/me', 'open'],
  ['POST', '/sign-in', 'open'],
  ['POST', '/sign-in/set-up', 'open'],
  ['POST', '/sign-in/pin', 'open'],
  ['POST', '/sign-out', 'open'],
  ['GET', '/link/:token', 'open'],
  ['PUT', '/me/pin', 'signed'],
  ['PUT', '/me/passphrase', 'signed'],
  ['GET', '/sessions', 'signed'],
  ['DELETE', '/sessions/:id', 'signed'],
  ['GET', '/people', 'people'],
  ['POST', '/people', 'people'],
  ['PUT', '/people/:id', 'people'],
  ['DELETE', '/people/:id', 'people'],
  ['GET', '/live', 'look'],
  ['GET', '/jobs', 'look'],
  ['POST', '/jobs', 'plan'],
  ['POST', '/jobs/import', 'plan'],
  ['GET', '/jobs/:id', 'look'],
  ['PUT', '/jobs/:id', 'plan'],
  ['GET', '/jobs/:id/plan', 'look'],
  ['GET', '/jobs/:id/file', 'plan'],
  ['GET', '/jobs/:id/run', 'look'],
  ['POST', '/jobs/:id/start', 'plan'],
  ['GET', '/jobs/:id/log', 'look'],
  ['POST', '/jobs/:id/log', 'run'],
  ['POST', '/jobs/:id/here', 'run'],
  ['POST', '/jobs/:id/print', 'look'],
  ['POST', '/jobs/:id/drawing', 'look'],
  ['POST', '/jobs/:id/stations.csv', 'look'],
  ['GET', '/jobs/:id/links', 'plan'],
  ['POST', '/jobs/:id/links', 'plan'],
  ['DELETE', '/links/:id', 'plan'],
  ['GET', '/shelf', 'look'],
  ['POST', '/shelf/tapes', 'shelf'],
  ['PUT', '/shelf/tapes/:key', 'shelf'],
  ['DELETE', '/shelf/tapes/:key', 'shelf'],
  ['POST', '/shelf/finishes', 'shelf'],
  ['PUT', '/shelf/finishes/:key', 'shelf'],
  ['DELETE', '/shelf/finishes/:key', 'shelf'],
  ['POST', '/shelf/supplies', 'shelf'],
  ['PUT', '/shelf/supplies/:key', 'shelf'],
  ['DELETE', '/shelf/supplies/:key', 'shelf'],
  ['GET', '/shelf/reserved', 'look'],
  ['GET', '/shelf/moves/:stuff/:code', 'look'],
  ['POST', '/shelf/moves', 'shelf'],
  ['GET', '/shop/backups', 'shop'],
  ['POST', '/shop/backups', 'shop'],
  ['POST', '/drawings', 'plan'],
  ['POST', '/drawings/take', 'plan'],
  ['POST', '/cutter', 'run'],
  ['GET', '/cutter/:id', 'look'],
  ['DELETE', '/cutter/:id', 'run'],
  ['POST', '/ask/:question', 'look'],
];

const PATTERNS = RIGHTS.map(([method, path, right]) => ({
  method,
  right,
  pattern: new RegExp(`^${path.replace(/[.]/g, '\\.').replace(/:[a-z]+/g, '[^/]+')}/?$`),
}));

/** What a request needs; null where there is no such one. */
export function rightFor(method: string, path: string): Right | null {
  const asked = method === 'HEAD' ? 'GET' : method;
  return PATTERNS.find((one) => one.method === asked && one.pattern.test(path))?.right ?? null;
}
