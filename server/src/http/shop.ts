import { backupKeySchema, backupsSchema, messageWithoutValues } from '@lintrel/core';
import { MAX_BACKUPS } from '../backup/nightly';
import { newBackupKey } from '../backup/secrets';
import { saveBackupKey } from '../db/backup-key';
import { ApiError } from '../errors/errors';
import { type Route, route, type Shop } from './route';

const NO_BACKUPS = {
  made: false,
  most: MAX_BACKUPS,
  backups: [],
  failure: null,
  freeBytes: null,
  low: false,
  keySet: false,
};

const stateOf = ({ backups }: Shop) => (backups === null ? NO_BACKUPS : backups.state());

/** /api/shop: data of the shop as a whole. */
export const shopRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/shop/backups',
    right: 'shop',
    answer: backupsSchema,
    work: ({ shop }) => stateOf(shop),
  }),
  route({
    method: 'POST',
    path: '/shop/backups',
    right: 'shop',
    status: 201,
    answer: backupsSchema,
    async work({ shop }) {
      if (shop.backups === null) throw new ApiError(409, 'no-folder', messageWithoutValues('server.no-backup-folder'));
      // A failure is part of the answer, until a backup succeeds.
      await shop.backups.make().catch(() => undefined);
      return stateOf(shop);
    },
  }),
  // Sets the passphrase for the secrets in backups; it is stored nowhere.
  route({
    method: 'PUT',
    path: '/shop/backup-key',
    right: 'people',
    slow: 'guessing',
    body: backupKeySchema,
    answer: backupsSchema,
    async work({ db, shop, author, body: { passphrase } }) {
      await saveBackupKey(db, await newBackupKey(passphrase), author);
      return stateOf(shop);
    },
  }),
];
