import { createServer, type Socket } from 'node:net';

/** Something that listens on loopback. */
export interface OnLoopback {
  readonly port: number;
  /** The connections that are open. */
  readonly open: ReadonlySet<Socket>;
  readonly close: () => Promise<void>;
}

/** Listens on a free port of loopback, and serves every connection. */
export async function onLoopback(serve: (socket: Socket) => void): Promise<OnLoopback> {
  const open = new Set<Socket>();
  const server = createServer((socket) => {
    open.add(socket);
    socket.on('close', () => open.delete(socket));
    socket.on('error', () => socket.destroy());
    serve(socket);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : 0,
    open,
    close: () =>
      new Promise((resolve) => {
        for (const socket of open) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
