// Builds the client when its sources changed since the last build.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { hashOf, ROOT, run, say } from './shell.mjs';

const SOURCES = [
  'core/src',
  'client/app',
  'client/src',
  'client/public',
  'client/assets',
  'client/app.json',
  'client/babel.config.js',
  'client/metro.config.js',
  'package-lock.json',
];
const NOT_BUILT = /\.test\.tsx?$/;

/** Makes sure that client/dist belongs to the sources as they are. */
export async function ensureClient() {
  const mark = join(ROOT, 'client', 'dist', '.sources');
  const wanted = hashOf(SOURCES, (path) => NOT_BUILT.test(basename(path)));
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  say('building the client (first time: about two minutes)');
  await run('npx', ['expo', 'export', '--platform', 'web'], {
    cwd: join(ROOT, 'client'),
    env: { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  writeFileSync(mark, wanted);
}
