#!/usr/bin/env node
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureProgram } from '../../scripts/programs.mjs';

const args = process.argv.slice(2);
const load = async (program, file) => import(pathToFileURL(join(await ensureProgram(program), file)).href);

// Stored data need the server's bundle; everything else works without it.
if (['backup', 'restore', 'export'].includes(args[0]) && args.length === 2) {
  const { openShop, shopFolder } = await import('../../scripts/shop.mjs');
  const given = process.env.DATABASE_URL;
  if (!given && args[0] !== 'restore' && !shopFolder()) {
    process.stderr.write(
      `${args[1]}: there is no shop here yet: start it once with "npm start", or name its folder with LINTREL_DATA\n`,
    );
    process.exitCode = 2;
  } else {
    const { backupMain } = await load('server', 'backup.mjs');
    const own = given ? null : await openShop();
    process.exitCode = await backupMain(
      args[0],
      args[1],
      given ?? own.url,
      process.env.LINTREL_BACKUP_PASSPHRASE || null,
    );
    await own?.stop();
  }
} else {
  const { main } = await load('cli', 'main.mjs');
  process.exitCode = await main(args);
}
