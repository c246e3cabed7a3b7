import type { Server } from 'node:http';
import { createServer, type Server as NetServer, type Socket } from 'node:net';

/** The first byte of whoever wants to speak in secret. */
const HANDSHAKE = 22;
/** Whoever says nothing for so long is shown out, ms. */
const SILENCE_MS = 20_000;

/** One port for both: pages over HTTPS, and plain HTTP for what it can. */
export function openDoor(plain: Server, secure: Server): NetServer {
  return createServer((socket: Socket) => {
    socket.setTimeout(SILENCE_MS, () => socket.destroy());
    socket.once('error', () => socket.destroy());
    socket.once('readable', () => {
      const first = socket.read(1) as Buffer | null;
      if (first === null) return void socket.destroy();
      socket.setTimeout(0);
      socket.removeAllListeners('timeout');
      socket.unshift(first);
      (first[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
    });
  });
}
