import { isIP } from 'node:net';
import { message, messageWithoutValues } from '@lintrel/core';
import type { RequestHandler } from 'express';
import { ApiError } from '../errors/errors';
import { ownAddresses } from '../tls/addresses';

const LOOPBACK_NAMES = new Set(['localhost', '::1']);

/**
 * Accepts only requests of pages served by this server. A page of another name could otherwise resolve that name to
 * this address (DNS rebinding) and read, write and delete data.
 * @param names names of this server besides its addresses
 */
export function guard(names: readonly string[]): RequestHandler {
  const given = new Set(names.map((name) => name.toLowerCase()));
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    const name = nameIn(host);
    if (name === null || !(isOwnAddress(name) || given.has(name)))
      throw new ApiError(421, 'other-host', message('server.other-host', { name: (name ?? host).slice(0, 80) }));
    const { origin } = request.headers;
    if (origin !== undefined && hostOf(origin) !== host.toLowerCase())
      throw new ApiError(403, 'other-origin', messageWithoutValues('server.other-origin'));
    if (request.headers['sec-fetch-site'] === 'cross-site' && request.path.startsWith('/api'))
      throw new ApiError(403, 'other-origin', messageWithoutValues('server.other-origin'));
    next();
  };
}

/** The name or address in a Host header, without port and brackets; null where there is none. */
function nameIn(host: string): string | null {
  const match = /^(?:\[([0-9a-f:.]+)\]|([a-z0-9._-]+))(?::\d{1,5})?$/i.exec(host);
  return match ? (match[1] ?? match[2] ?? '').toLowerCase().replace(/\.$/, '') : null;
}

function isOwnAddress(name: string): boolean {
  if (LOOPBACK_NAMES.has(name) || (isIP(name) === 4 && name.startsWith('127.'))) return true;
  return isIP(name) !== 0 && ownAddresses().some(({ address }) => address.toLowerCase() === name);
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
