import { X509Certificate } from 'node:crypto';
import { mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { request as ask } from 'node:http';
import { request as askInSecret } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectTls, createServer as createTlsServer } from 'node:tls';
import { generate } from 'selfsigned';
import { makeDatabase, type RunningServer, startServer, type TestDatabase } from '../../../e2e/harness';
import { closeOpened, listenOn } from '../../../e2e/opened';
import { readConfig } from '../config';
import { coversNames } from './authority';
import { ownNames, shopCertificate } from './certificate';

const DAY_MS = 86_400_000;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lintrel-tls-'));
});
afterAll(() => rm(folder, { recursive: true }));

/** The first certificate of a chain. */
const first = (cert: string) => new X509Certificate(cert);

describe('the certificate of the shop', () => {
  const names = ['localhost', '127.0.0.1', 'paint.shop', '192.168.7.20', 'fd00::7'];
  it('stands for every name and address, and its authority for it', async () => {
    const { cert, authority } = await shopCertificate(join(folder, 'a'), names, Date.now());
    const certificate = first(cert);
    expect(certificate.checkHost('paint.shop')).toBe('paint.shop');
    for (const address of ['127.0.0.1', '192.168.7.20', 'fd00::7']) expect(certificate.checkIP(address)).toBeDefined();
    expect(certificate.checkHost('other.shop')).toBeUndefined();
    expect(certificate.verify(first(authority!).publicKey)).toBe(true);
    expect([certificate.ca, first(authority!).ca]).toEqual([false, true]);
    expect((Date.parse(certificate.validTo) - Date.now()) / DAY_MS).toBeLessThan(398);
  });
  it('stays over a start; its keys are for nobody else to read', async () => {
    const again = await shopCertificate(join(folder, 'a'), names, Date.now());
    expect(again).toEqual(await shopCertificate(join(folder, 'a'), names.slice(0, 3), Date.now()));
    for (const name of ['server', 'authority'])
      expect((await stat(join(folder, 'a', `${name}.key.pem`))).mode & 0o077).toBe(0);
  });
  it('is made anew for another name and before it ends, by the same authority', async () => {
    const before = await shopCertificate(join(folder, 'a'), names, Date.now());
    const more = await shopCertificate(join(folder, 'a'), [...names, '10.1.2.3'], Date.now());
    expect(first(more.cert).checkIP('10.1.2.3')).toBeDefined();
    const late = await shopCertificate(join(folder, 'a'), names, Date.now() + 380 * DAY_MS);
    expect(Date.parse(first(late.cert).validTo)).toBeGreaterThan(Date.parse(first(before.cert).validTo));
    expect([more.authority, late.authority]).toEqual([before.authority, before.authority]);
  });
  it('comes from an authority that vouches for the names of the shop alone', async () => {
    const { key, cert } = {
      key: await readFile(join(folder, 'a', 'authority.key.pem'), 'utf8'),
      cert: await readFile(join(folder, 'a', 'authority.cert.pem'), 'utf8'),
    };
    expect(coversNames(cert, [...names, 'bench.local', '10.9.8.7', '169.254.1.1', 'fe80::1'])).toBe(true);
    for (const name of ['bank.example', 'notlocal', 'evil-localhost', '8.8.8.8', '2001:db8::1'])
      expect([name, coversNames(cert, [name])]).toEqual([name, false]);
    // A certificate for another site, made with its key, is refused by whoever trusts it.
    const forged = await generate([{ name: 'commonName', value: 'x' }], {
      keyType: 'ec',
      algorithm: 'sha256',
      ca: { key, cert },
      extensions: [{ name: 'subjectAltName', altNames: [{ type: 2, value: 'bank.example' }] }],
    });
    const listener = createTlsServer({ key: forged.private, cert: `${forged.cert.trim()}\n${cert}` });
    const port = await listenOn(listener);
    const refused = await new Promise<string>((done) => {
      const socket = connectTls({ port, host: '127.0.0.1', servername: 'bank.example', ca: cert }, () =>
        done('trusted'),
      );
      socket.on('error', ({ message }) => done(message));
    });
    expect(refused).toMatch(/permitted subtree violation/);
    await closeOpened();
  });
  it('is made anew, with its authority, for a name the authority may not vouch for', async () => {
    const before = await shopCertificate(join(folder, 'd'), names, Date.now());
    const after = await shopCertificate(join(folder, 'd'), [...names, 'new.shop'], Date.now());
    expect(after.authority).not.toBe(before.authority);
    expect(first(after.cert).checkHost('new.shop')).toBe('new.shop');
    expect((await shopCertificate(join(folder, 'd'), [...names, '10.5.5.5'], Date.now())).authority).toBe(
      after.authority,
    );
  });
  it('is made anew where what is kept cannot be read', async () => {
    const path = join(folder, 'a', 'server.cert.pem');
    const { writeFile } = await import('node:fs/promises');
    await writeFile(path, 'nonsense');
    expect(first((await shopCertificate(join(folder, 'a'), names, Date.now())).cert).checkHost('paint.shop')).toBe(
      'paint.shop',
    );
    expect(await readFile(path, 'utf8')).toContain('BEGIN CERTIFICATE');
  });
  it('stands for this machine as phones find it', () =>
    expect(ownNames(['paint.shop'])).toEqual(expect.arrayContaining(['localhost', '127.0.0.1', 'paint.shop'])));
});

describe('a server beyond this machine', () => {
  let database: TestDatabase;
  let server: RunningServer;
  const port = () => Number(new URL(server.url).port);
  beforeAll(async () => {
    database = await makeDatabase();
    server = await startServer(database.url, {
      demo: false,
      env: { HOST: '0.0.0.0', LINTREL_CERTIFICATES: join(folder, 'b') },
    });
  });
  afterAll(async () => {
    await server.stop();
    await database.drop();
  });
  /** Asks for a path; over HTTPS trusting the authority given alone. */
  const get = (path: string, ca: string | null = null): Promise<{ status: number; body: Buffer; type: string }> =>
    new Promise((done, fail) => {
      const options = { host: '127.0.0.1', port: port(), path };
      const asked = ca === null ? ask(options) : askInSecret({ ...options, ca });
      asked.once('error', fail);
      asked.once('response', (answer) => {
        const pieces: Buffer[] = [];
        answer.on('data', (piece: Buffer) => pieces.push(piece));
        answer.once('end', () =>
          done({ status: answer.statusCode!, body: Buffer.concat(pieces), type: answer.headers['content-type'] ?? '' }),
        );
      });
      asked.end();
    });
  const authority = () => readFile(join(folder, 'b', 'authority.cert.pem'), 'utf8');

  it('answers in secret to whoever trusts the shop, and to nobody else', async () => {
    expect((await get('/api/alive', await authority())).status).toBe(200);
    const { authority: other } = await shopCertificate(join(folder, 'c'), ['127.0.0.1'], Date.now());
    await expect(get('/api/alive', other!)).rejects.toThrow(/certificate|subtree/i);
  });
  it('answers plain HTTP at the same port, and tells how to trust it', async () => {
    expect((await get('/api/alive')).status).toBe(200);
    const told = JSON.parse((await get('/api/trust')).body.toString()) as { addresses: string[]; fingerprint: string };
    expect(told.fingerprint).toBe(first(await authority()).fingerprint256);
    expect(told.addresses.every((address) => address.startsWith('https://') && address.endsWith(`:${port()}`))).toBe(
      true,
    );
    const crt = await get('/api/trust/certificate');
    expect([crt.type, new X509Certificate(crt.body).fingerprint256]).toEqual([
      'application/x-x509-ca-cert',
      told.fingerprint,
    ]);
    if (told.addresses.length > 0) expect((await get('/api/trust/code.svg')).body.toString()).toContain('<svg');
  });
  it('is not held up by one who says nothing, or nonsense', async () => {
    const { connect } = await import('node:net');
    const silent = connect(port(), '127.0.0.1');
    const odd = connect(port(), '127.0.0.1', () => odd.write(Buffer.from([22, 0, 0, 0])));
    odd.on('error', () => undefined);
    expect((await get('/api/alive', await authority())).status).toBe(200);
    silent.destroy();
    odd.destroy();
  });
});

describe('settings', () => {
  const base = { DATABASE_URL: 'postgres://x', HOST: '0.0.0.0', LINTREL_CERTIFICATES: '/c' };
  const certificateOf = (more: Record<string, string>) => {
    const read = readConfig({ ...base, ...more });
    return 'database' in read ? read.certificate : read;
  };
  it('take a certificate that is given, the folder of the shop, or none', () => {
    expect(certificateOf({})).toEqual({ folder: '/c' });
    expect(certificateOf({ LINTREL_CERT: '/a', LINTREL_KEY: '/b' })).toEqual({ cert: '/a', key: '/b' });
    expect(certificateOf({ LINTREL_PLAIN: 'yes' })).toBeNull();
    expect(certificateOf({ HOST: '127.0.0.1' })).toBeNull();
    expect(certificateOf({ LINTREL_CERT: '/a' })).toEqual([
      'LINTREL_CERT and LINTREL_KEY are set together: the certificate and its key',
    ]);
  });
});
