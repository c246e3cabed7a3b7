import { backupsSchema } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { KEPT, listBackups, makeBackup } from '../backup/nightly';
import { ApiError } from './errors';
import { answered } from './validate';

/**
 * /api/shop: what is kept of the shop as a whole.
 * @param folder where its backups are; null: none are made here
 */
export function shopRoutes(pool: pg.Pool, folder: string | null): Router {
  const routes = Router();
  const backups = async () => answered(backupsSchema, { made: folder !== null, most: KEPT, backups: folder === null ? [] : await listBackups(folder) });
  routes.get('/backups', async (_request, response) => void response.json(await backups()));
  routes.post('/backups', async (_request, response) => {
    if (folder === null) throw new ApiError(409, 'no-folder', 'This server keeps no backups: it was started without a folder for them.');
    await makeBackup(pool, folder);
    response.status(201).json(await backups());
  });
  return routes;
}
