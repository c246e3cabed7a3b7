// What a test file has opened: databases, servers, browsers. Each is closed by the test, or else by the environment after the last test.
import type { Server as HttpServer } from 'node:http';
import type { AddressInfo, Server } from 'node:net';

type Close = () => Promise<unknown>;

const closers: Close[] = [];
const opening = new Set<Promise<unknown>>();

/**
 * Opens a resource; one that is still being opened when the tests end is waited for, and closed as well.
 * @param open opens it
 * @param closeOf says how to close what was opened
 * @returns what was opened, and how to close it: once, however often it is called
 */
export async function opened<T>(
  open: () => T | Promise<T>,
  closeOf: (resource: T) => Promise<unknown>,
): Promise<{ resource: T; close: () => Promise<void> }> {
  const promise = Promise.resolve().then(open);
  opening.add(promise);
  try {
    const resource = await promise;
    let closing: Promise<unknown> | null = null;
    const close: Close = () => {
      if (closers.includes(close)) closers.splice(closers.indexOf(close), 1);
      return (closing ??= closeOf(resource));
    };
    closers.push(close);
    return { resource, close: async () => void (await close()) };
  } finally {
    opening.delete(promise);
  }
}

/**
 * Has a server of the test itself listen on loopback.
 * @returns its port
 */
export async function listenOn(server: Server): Promise<number> {
  await opened(
    () => new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready)),
    () =>
      new Promise<void>((closed) => {
        server.close(() => closed());
        (server as Partial<HttpServer>).closeAllConnections?.();
      }),
  );
  return (server.address() as AddressInfo).port;
}

/** Closes everything that is still open, what was opened last first. */
export async function closeOpened(): Promise<void> {
  while (opening.size > 0 || closers.length > 0) {
    await Promise.allSettled(opening);
    // A resource that has just been opened registers in the next turn of the event loop.
    await new Promise((turn) => setTimeout(turn, 0));
    await closers
      .at(-1)?.()
      .catch(() => undefined);
  }
}

// The environment of the tests finds it here.
Object.assign(globalThis, { lintrelCloseOpened: closeOpened });
