import { stat } from 'node:fs/promises';
import { connectionLost, openPool } from '../db/pool';
import { exportJobs } from './job-files';
import { BackupFault } from './read';
import { restoreBackup } from './restore';
import { writeBackup } from './write';

/**
 * `backup FILE`, `restore FILE` and `export FOLDER` of the command line.
 * @param database address of the shop's database
 * @returns exit code; what was done goes to standard output, what stood in the way to standard error
 */
export async function backupMain(command: 'backup' | 'restore' | 'export', file: string, database: string): Promise<number> {
  const pool = openPool(database);
  try {
    if (command === 'backup') {
      const rows = await writeBackup(pool, file);
      const { size } = await stat(file);
      process.stdout.write(`${file}: ${rows} rows, ${(size / 1e6).toFixed(2)} MB\n`);
    } else if (command === 'export') process.stdout.write(`${file}: ${await exportJobs(pool, file)} jobs, a file each\n`);
    else process.stdout.write(`${file}: ${await restoreBackup(pool, file)} rows put back\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof BackupFault) && !connectionLost(error) && typeof (error as NodeJS.ErrnoException).code !== 'string') throw error;
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 2;
  } finally {
    await pool.end();
  }
}
