import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router } from 'express';
import { notFound } from '../errors/errors';
import { precompressed } from './precompressed';

const YEAR_S = 31_536_000;

/** A path that ends like a file name; a tape called V1.5 is a screen. */
const NAMES_A_FILE = /\.[A-Za-z][A-Za-z0-9]*$/;

/**
 * Serves the exported client: hashed files for a year, the page itself always fresh, and the page for every deep link.
 * @param folder where the export lies
 */
export function clientFiles(folder: string): Router {
  const routes = Router();
  routes.use(precompressed(folder));
  const hashed = { immutable: true, maxAge: YEAR_S * 1000, fallthrough: true };
  routes.use('/_expo/static', express.static(join(folder, '_expo/static'), hashed));
  routes.use('/assets', express.static(join(folder, 'assets'), hashed));
  routes.use(express.static(folder, { index: false, maxAge: 0 }));
  routes.get('/{*path}', (request, response, next) => {
    const page = join(folder, 'index.html');
    if (NAMES_A_FILE.test(request.path) || !existsSync(page)) return next(notFound('file', request.path));
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
  return routes;
}
