import { stat } from 'node:fs/promises';
import { isConnectionLost, openPool } from '../db/pool';
import { exportJobs } from './job-files';
import { BackupFault } from './read';
import { restoreBackup } from './restore';
import { hasShop, writeBackup } from './write';

/**
 * `backup FILE`, `restore FILE` and `export FOLDER` of the command line.
 * @param database connection string of the shop's database
 * @param passphrase for the secrets of a backup to restore; null: they are left out
 * @returns exit code; results go to standard output, errors to standard error
 */
export async function backupMain(
  command: 'backup' | 'restore' | 'export',
  file: string,
  database: string,
  passphrase: string | null = null,
): Promise<number> {
  const pool = openPool(database);
  try {
    process.stdout.write(`${file}: ${await COMMANDS[command](pool, file, passphrase)}\n`);
    return 0;
  } catch (error) {
    if (
      !(error instanceof BackupFault) &&
      !isConnectionLost(error) &&
      typeof (error as NodeJS.ErrnoException).code !== 'string'
    )
      throw error;
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 2;
  } finally {
    await pool.end();
  }
}

type Pool = ReturnType<typeof openPool>;

const COMMANDS = {
  async backup(pool: Pool, file: string) {
    const rows = await writeBackup(pool, file);
    return `${rows} rows, ${((await stat(file)).size / 1e6).toFixed(2)} MB`;
  },
  async export(pool: Pool, folder: string) {
    await hasShop(pool);
    return `${await exportJobs(pool, folder)} jobs, a file each`;
  },
  async restore(pool: Pool, file: string, passphrase: string | null) {
    const { rows, code } = await restoreBackup(pool, file, passphrase);
    const next = `\nNo passphrase was put back. Open Lintrel within a day and set an owner's with this code: ${code}`;
    return `${rows} rows put back${code === null ? '' : next}`;
  },
} as const;
