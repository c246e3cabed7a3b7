// Builds the client when its sources changed since the last build.
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { basename, extname, join, sep } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { hashOf, ROOT, run, say } from './shell.mjs';

const SOURCES = [
  'core/src',
  'words/src',
  'client/app',
  'client/src',
  'client/public',
  'client/service-worker',
  'client/assets',
  'client/app.json',
  'client/babel.config.js',
  'client/metro.config.js',
  'package-lock.json',
  'scripts/client.mjs',
];
const NOT_BUILT = /\.test\.tsx?$/;

/** Builds client/dist if it does not match the sources. */
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
  writeWorker(join(ROOT, 'client', 'dist'), wanted);
  pack(join(ROOT, 'client', 'dist'));
  writeFileSync(mark, wanted);
}

/** Writes the service worker with the list of its files and the id of the build. */
function writeWorker(folder, build) {
  const files = readdirSync(folder, { recursive: true })
    .map((name) => String(name).split(sep).join('/'))
    .filter(
      (name) =>
        !name.startsWith('.') &&
        !/\.(gz|br|map)$|^sw\.js$|^index\.html$|^metadata\.json$/.test(name) &&
        statSync(join(folder, name)).isFile(),
    )
    .map((name) => `/${name}`)
    .sort();
  const text = readFileSync(join(ROOT, 'client', 'service-worker', 'sw.js'), 'utf8');
  writeFileSync(
    join(folder, 'sw.js'),
    text.replace("'__BUILD__'", JSON.stringify(build)).replace("'__FILES__'", JSON.stringify(['/', ...files])),
  );
}

/** Types of file worth compressing, and the minimum size in bytes. */
const PACKED = new Set(['.js', '.css', '.svg', '.ttf', '.json']);
const PACKED_FROM = 1024;

/** Writes a compressed copy beside every file that is worth it, so that none is compressed on request. */
function pack(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    const path = join(folder, name);
    if (!PACKED.has(extname(name)) || !statSync(path).isFile() || statSync(path).size < PACKED_FROM) continue;
    const bytes = readFileSync(path);
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(
      `${path}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
    );
  }
}
