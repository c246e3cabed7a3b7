import { createServer as createHttpServer, type RequestListener, type Server } from 'node:http';
import { createServer as createHttpsServer, type Server as SecureServer } from 'node:https';
import { createServer, type Server as NetServer, type Socket } from 'node:net';

/** TLS record type 22: handshake, the first byte of a connection over HTTPS. */
const TLS_HANDSHAKE = 22;

/** Time limits of a connection, ms: those of Node, but for clients that send slowly on purpose. */
export interface ListenerLimits {
  /** From the connection to its first byte, and of a TLS handshake. */
  readonly firstByteMs: number;
  /** From the first byte of a request to the end of its headers, and to the end of its body. */
  readonly headersMs: number;
  readonly requestMs: number;
  /** How often these are looked at. */
  readonly checkMs: number;
}
const LIMITS: ListenerLimits = { firstByteMs: 20_000, headersMs: 15_000, requestMs: 90_000, checkMs: 3_000 };

/** Maximum number of connections: far above what a shop has, below what a machine can hold. */
const MAX_CONNECTIONS = 4_000;

/** What listens, and the servers behind it. */
export interface Listener {
  /** Listens, and closes. */
  readonly listener: NetServer;
  /** Shows another certificate from the next connection on. */
  readonly setCertificate: (certificate: { readonly key: string; readonly cert: string }) => void;
  /** Closes connections no request is under way on; all connections. */
  readonly closeIdle: () => void;
  readonly closeAll: () => void;
}

/**
 * One port for both: HTTPS where there is a certificate, and plain HTTP.
 * @param certificate null: plain HTTP alone
 */
export function openListener(
  app: RequestListener,
  certificate: { readonly key: string; readonly cert: string } | null,
  limits: ListenerLimits = LIMITS,
): Listener {
  const { firstByteMs, headersMs, requestMs, checkMs } = limits;
  const times = { headersTimeout: headersMs, requestTimeout: requestMs, connectionsCheckingInterval: checkMs };
  const plain = createHttpServer(times, app);
  const secure = certificate && createHttpsServer({ ...times, handshakeTimeout: firstByteMs, ...certificate }, app);
  const servers: readonly (Server | SecureServer)[] = secure ? [plain, secure] : [plain];
  const silent = new Set<Socket>();
  const listener = secure ? sorting(plain, secure, firstByteMs, silent) : plain;
  listener.maxConnections = MAX_CONNECTIONS;
  return {
    listener,
    setCertificate: (next) => secure?.setSecureContext(next),
    closeIdle: () => {
      silent.forEach((socket) => socket.destroy());
      servers.forEach((server) => server.closeIdleConnections());
    },
    closeAll: () => servers.forEach((server) => server.closeAllConnections()),
  };
}

/**
 * Hands each connection to one of two servers, by its first byte.
 * @param silent holds those that have sent nothing yet
 */
function sorting(plain: Server, secure: SecureServer, firstByteMs: number, silent: Set<Socket>): NetServer {
  const listener = createServer((socket: Socket) => {
    silent.add(socket);
    socket.once('close', () => silent.delete(socket));
    socket.setTimeout(firstByteMs, () => socket.destroy());
    socket.once('error', () => socket.destroy());
    socket.once('readable', () => {
      silent.delete(socket);
      const first = socket.read(1) as Buffer | null;
      if (first === null) return void socket.destroy();
      socket.setTimeout(0);
      socket.removeAllListeners('timeout');
      socket.unshift(first);
      (first[0] === TLS_HANDSHAKE ? secure : plain).emit('connection', socket);
    });
  });
  // A server starts to keep account of its connections, and to look at their time limits, when it listens. These two are handed theirs.
  listener.on('listening', () => [plain, secure].forEach((server) => server.emit('listening')));
  listener.on('close', () => [plain, secure].forEach((server) => server.close(() => undefined)));
  return listener;
}
