// Locks between processes of this machine. Each is a name the kernel knows for as long as its holder lives: nothing of it is left
// on the disk when a process is killed, and nobody has to be signalled to find out whether it is still there.
import { createHash } from 'node:crypto';
import { connect, createServer } from 'node:net';
import { pause, say } from './shell.mjs';

const addressOf = (name) =>
  `\0lintrel-${process.getuid?.() ?? 0}-${createHash('sha256').update(name).digest('hex').slice(0, 32)}`;

/**
 * Takes a lock, if nobody has it.
 * @returns null where somebody has; else `tell` sets what is told to those who ask, and `release`
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

/** What the holder of a lock tells about itself; null where nobody has it, or it does not answer. */
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

/** Works while having a lock; waits for whoever has it. */
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
