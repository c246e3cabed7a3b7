#!/usr/bin/env node
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureProgram } from '../../scripts/programs.mjs';

const args = process.argv.slice(2);
const load = async (program, file) => import(pathToFileURL(join(await ensureProgram(program), file)).href);

// What is kept in the database needs the server's half; everything else is answered without it.
if (['backup', 'restore', 'export'].includes(args[0]) && args.length === 2) {
  const { backupMain } = await load('server', 'backup.mjs');
  const own = process.env.DATABASE_URL ? null : await (await import('../../scripts/shop.mjs')).openShop();
  process.exitCode = await backupMain(args[0], args[1], process.env.DATABASE_URL ?? own.url);
  await own?.stop();
} else {
  const { main } = await load('cli', 'main.mjs');
  process.exitCode = await main(args);
}
