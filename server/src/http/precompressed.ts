import { existsSync, readdirSync } from 'node:fs';
import { posix, sep } from 'node:path';
import type { RequestHandler } from 'express';

/** Ways a file may be packed, the smaller first, with the ending of its packed copy. */
const WAYS = [
  { encoding: 'br', ending: '.br' },
  { encoding: 'gzip', ending: '.gz' },
] as const;

/**
 * Leads a request for a file to its packed copy, where the build has put one beside it and the browser can unpack it.
 * @param folder where the files lie, as they are when the server starts
 */
export function precompressed(folder: string): RequestHandler {
  const copies = new Set(
    existsSync(folder)
      ? readdirSync(folder, { recursive: true }).map((name) => `/${String(name).split(sep).join('/')}`)
      : [],
  );
  return (request, response, next) => {
    const way = WAYS.find(
      ({ encoding, ending }) => copies.has(request.path + ending) && request.acceptsEncodings(encoding),
    );
    if (way) {
      response.vary('Accept-Encoding').set('Content-Encoding', way.encoding).type(posix.extname(request.path));
      request.url = request.url.replace(request.path, request.path + way.ending);
    }
    next();
  };
}
