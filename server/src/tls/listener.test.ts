import { mkdtemp, rm } from 'node:fs/promises';
import { type AddressInfo, connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectTls } from 'node:tls';
import { shopCertificate } from './certificate';
import { type Listener, openListener } from './listener';

// Clients that send slowly, or nothing, on the one port of plain HTTP and HTTPS.

const limits = { firstByteMs: 400, headersMs: 400, requestMs: 800, checkMs: 50 };
let folder: string;
let certificate: { readonly key: string; readonly cert: string };
const doors: Listener[] = [];

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lintrel-door-'));
  certificate = await shopCertificate(folder, ['localhost', '127.0.0.1'], Date.now());
});
afterAll(async () => {
  for (const door of doors) {
    door.listener.close();
    door.closeAll();
  }
  await rm(folder, { recursive: true });
});

/** A door on a port of its own; a request is answered once its body is there. */
async function opened(secure: boolean): Promise<{ door: Listener; port: number }> {
  const door = openListener(
    (request, response) => void request.on('end', () => response.end('well')).resume(),
    secure ? certificate : null,
    limits,
  );
  doors.push(door);
  await new Promise<void>((ready) => door.listener.listen(0, '127.0.0.1', ready));
  return { door, port: (door.listener.address() as AddressInfo).port };
}

/** Sends the beginning of a request; resolves with what was answered when the connection closes. */
const half = (socket: Socket, text: string): Promise<string> =>
  new Promise((closed) => {
    let answer = '';
    socket.on('data', (data) => (answer += String(data)));
    socket.on('error', () => undefined);
    socket.on('close', () => closed(answer));
    socket.write(text);
  });
const HEAD = 'GET / HTTP/1.1\r\nHost: localhost\r\n';
const BODY = 'POST / HTTP/1.1\r\nHost: localhost\r\nContent-Length: 100\r\n\r\nhalf';

it.each([true, false])('ends requests that are half sent, over plain HTTP; with a certificate: %s', async (secure) => {
  const { port } = await opened(secure);
  const ended = await Promise.all(
    [...Array(20).keys()].flatMap(() => [
      half(connect(port, '127.0.0.1'), HEAD),
      half(connect(port, '127.0.0.1'), BODY),
    ]),
  );
  expect(ended.every((answer) => answer.startsWith('HTTP/1.1 408'))).toBe(true);
  expect(await half(connect(port, '127.0.0.1'), `${HEAD}Connection: close\r\n\r\n`)).toMatch(/^HTTP\/1\.1 200[^]*well/);
});

it('ends them over HTTPS, handshakes that stop half way, and connections that say nothing', async () => {
  const { port } = await opened(true);
  const tls = () => connectTls({ port, host: '127.0.0.1', rejectUnauthorized: false });
  expect(await half(tls(), HEAD)).toMatch(/^HTTP\/1\.1 408/);
  expect(await half(tls(), BODY)).toMatch(/^HTTP\/1\.1 408/);
  await half(connect(port, '127.0.0.1'), '\u0016');
  await half(connect(port, '127.0.0.1'), '');
  expect(await half(tls(), `${HEAD}Connection: close\r\n\r\n`)).toMatch(/well/);
});

it.each([true, false])(
  'closes when it is asked to, though connections are kept open and one says nothing; with a certificate: %s',
  async (secure) => {
    const { door, port } = await opened(secure);
    const idle = connect(port, '127.0.0.1');
    const answered = new Promise((done) => idle.once('data', done));
    idle.write(`${HEAD}\r\n`);
    await answered;
    const silent = secure ? [half(connect(port, '127.0.0.1'), '')] : [];
    const closed = new Promise((done) => door.listener.close(done));
    const sweep = setInterval(door.closeIdle, 20);
    await Promise.all([closed, ...silent, new Promise((done) => idle.on('close', done).resume())]);
    clearInterval(sweep);
  },
);
