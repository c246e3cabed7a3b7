import { stat } from 'node:fs/promises';
import { connectionLost, openPool } from '../db/pool';
import { BackupFault } from './read';
import { restoreBackup } from './restore';
import { writeBackup } from './write';

/**
 * `backup FILE` and `restore FILE` of the command line.
 * @param database address of the shop's database
 * @returns exit code; what was done goes to standard output, what stood in the way to standard error
 */
export async function backupMain(command: 'backup' | 'restore', file: string, database: string): Promise<number> {
  const pool = openPool(database);
  try {
    if (command === 'backup') {
      const rows = await writeBackup(pool, file);
      const { size } = await stat(file);
      process.stdout.write(`${file}: ${rows} rows, ${(size / 1e6).toFixed(2)} MB\n`);
    } else process.stdout.write(`${file}: ${await restoreBackup(pool, file)} rows put back\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof BackupFault) && !connectionLost(error) && typeof (error as NodeJS.ErrnoException).code !== 'string') throw error;
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 2;
  } finally {
    await pool.end();
  }
}
