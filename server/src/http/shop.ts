import { backupsSchema } from '@lintrel/core';
import { KEPT, listBackups, makeBackup } from '../backup/nightly';
import { ApiError } from './errors';
import { route, type Route } from './route';

const kept = async (folder: string | null) => ({ made: folder !== null, most: KEPT, backups: folder === null ? [] : await listBackups(folder) });

/** /api/shop: what is kept of the shop as a whole. */
export const shopRoutes: readonly Route[] = [
  route({ method: 'GET', path: '/shop/backups', right: 'shop', answer: backupsSchema, work: ({ shop }) => kept(shop.backups) }),
  route({
    method: 'POST',
    path: '/shop/backups',
    right: 'shop',
    status: 201,
    answer: backupsSchema,
    async work({ db, shop: { backups } }) {
      if (backups === null) throw new ApiError(409, 'no-folder', 'This server keeps no backups: it was started without a folder for them.');
      await makeBackup(db, backups);
      return kept(backups);
    },
  }),
];
