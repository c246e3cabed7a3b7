// Puts server and command line into one file each when their sources changed: they start without reading hundreds of files.
import { cpSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import { hashOf, ROOT } from './shell.mjs';

const PROGRAMS = {
  cli: {
    sources: ['core/src', 'words/src', 'cli/src', 'package-lock.json', 'scripts/programs.mjs'],
    entries: { main: 'cli/src/main.ts' },
    // Everything is bundled: answering a question of the Bench takes less than a second.
    outside: () => false,
  },
  server: {
    sources: ['core/src', 'words/src', 'server/src', 'package-lock.json', 'scripts/programs.mjs'],
    entries: { main: 'server/src/main.ts', worker: 'server/src/work/worker.ts', backup: 'server/src/backup/main.ts' },
    // Packages stay where they are installed; only what is ours is put together.
    outside: (name) => !name.startsWith('@lintrel/'),
  },
};
const NOT_BUILT = /\.test\.ts$|^testing|^check-random/;

const folderOf = (name) => join(ROOT, name, 'dist');

/** Builds of other sources are kept for a while for processes still running from them. */
const KEPT_MS = 24 * 60 * 60_000;

function clearOld(folder, wanted) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (name !== wanted && Date.now() - statSync(path).mtimeMs > KEPT_MS)
      rmSync(path, { recursive: true, force: true });
  }
}

/**
 * Builds a program if it does not match the sources.
 * @param {'cli' | 'server'} name
 * @returns the folder of its files
 */
export async function ensureProgram(name) {
  const { sources, entries, outside } = PROGRAMS[name];
  const wanted = hashOf(sources, (path) => NOT_BUILT.test(basename(path))).slice(0, 16);
  const folder = join(folderOf(name), wanted);
  if (existsSync(folder)) return folder;
  const { build, stop } = await import('esbuild');
  // Built in a temporary folder and renamed: another process may be building the same.
  const making = `${folder}.making-${process.pid}`;
  mkdirSync(making, { recursive: true });
  await build({
    absWorkingDir: ROOT,
    entryPoints: entries,
    outdir: making,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    sourcemap: 'linked',
    sourcesContent: false,
    logLevel: 'warning',
    // CommonJS packages need `require`.
    banner: {
      js: "import { createRequire as lintrelRequire } from 'node:module'; const require = lintrelRequire(import.meta.url);",
    },
    plugins: [
      {
        name: 'outside',
        setup: ({ onResolve }) =>
          onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
            kind !== 'entry-point' && outside(path) ? { path, external: true } : undefined,
          ),
      },
    ],
  });
  await stop();
  if (name === 'server')
    cpSync(join(ROOT, 'server/src/db/migrations'), join(making, 'migrations'), { recursive: true });
  try {
    renameSync(making, folder);
  } catch (error) {
    if (!existsSync(folder)) throw error;
    rmSync(making, { recursive: true });
  }
  clearOld(folderOf(name), wanted);
  return folder;
}
