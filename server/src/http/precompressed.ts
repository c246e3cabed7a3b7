import { existsSync, readdirSync } from 'node:fs';
import { posix, sep } from 'node:path';
import type { RequestHandler } from 'express';

/** Encodings of a file, the smallest first, with the extension of the compressed copy. */
const WAYS = [
  { encoding: 'br', ending: '.br' },
  { encoding: 'gzip', ending: '.gz' },
] as const;

/**
 * Serves the compressed copy of a file if the build has made one and the browser accepts it.
 * @param folder folder of the files, as they are when the server starts
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
