// Locks between processes of this machine: abstract socket names, which exist only while their holder lives, so
// nothing is left on disk after a kill.
import { createHash } from 'node:crypto';
import { connect, createServer } from 'node:net';
import { pause, say } from './shell.mjs';

const addressOf = (name) =>
  `\0lintrel-${process.getuid?.() ?? 0}-${createHash('sha256').update(name).digest('hex').slice(0, 32)}`;

/**
 * Acquires a lock if it is free.
 * @returns null if it is taken; else `tell` sets what is answered to queries, and `release`
 */
export function tryLock(name, told = {}) {
  let telling = told;
  const server = createServer((asking) => {
    asking.on('error', () => undefined);
    asking.end(JSON.stringify({ pid: process.pid, ...telling }));
  });
  server.unref();
  return new Promise((done, failed) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? done(null) : failed(error)));
    server.listen(addressOf(name), () =>
      done({
        tell: (more) => (telling = { ...telling, ...more }),
        release: () => new Promise((end) => server.close(end)),
      }),
    );
  });
}

/** What the holder of a lock answers; null if it is free or does not answer. */
export function holderOf(name, patienceMs = 1000) {
  return new Promise((done) => {
    let text = '';
    const asking = connect(addressOf(name));
    asking.setTimeout(patienceMs, () => asking.destroy());
    asking.on('data', (data) => (text += data));
    asking.on('error', () => undefined);
    asking.on('close', () => {
      try {
        done(JSON.parse(text));
      } catch {
        done(null);
      }
    });
  });
}

/** Runs work while holding a lock, after waiting for it. */
export async function withLock(name, waiting, work) {
  let lock = await tryLock(name);
  if (!lock) say(waiting);
  while (!lock) {
    await pause(200);
    lock = await tryLock(name);
  }
  try {
    return await work();
  } finally {
    await lock.release();
  }
}
