// The database of this folder's shop: the one that runs, else started for as long as it is needed.
import { startDatabase } from './database.mjs';
import { ensurePostgres } from './ensure.mjs';

export const openShop = async () => startDatabase(await ensurePostgres(), 'database');
