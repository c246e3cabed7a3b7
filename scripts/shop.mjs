// The database of this folder's shop: the running one, or one started for the duration of a command.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { startDatabase } from './database.mjs';
import { placeOf } from './database-place.mjs';
import { ensurePostgres } from './ensure.mjs';

/** Whether this folder has a shop already. */
export const shopFolder = () => existsSync(join(placeOf('database').data, 'PG_VERSION'));

export const openShop = async () => startDatabase(await ensurePostgres(), 'database');
