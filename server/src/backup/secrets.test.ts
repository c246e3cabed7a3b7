import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import request from 'supertest';
import { saveBackupKey } from '../db/backup-key';
import { insertPerson, saveSetUpCode, updatePerson } from '../db/people';
import { hashSecret, newCode, normalizeCode, tokenHash } from '../people/secrets';
import { startTestServer, type TestServer } from '../testing/server';
import { MAX_LINE_LENGTH } from './format';
import { checkedBackup } from './read';
import { restoreBackup } from './restore';
import { newBackupKey } from './secrets';
import { writeBackup } from './write';

// Passphrases and PINs in backups: encrypted, or not there.

const folder = mkdtempSync(join(tmpdir(), 'lintrel-secrets-'));
const file = (name: string) => join(folder, name);
const PASSPHRASE = 'a ladder in the loft';
let shop: TestServer;

beforeAll(async () => {
  shop = await startTestServer({ signIn: true, demo: false });
  const owner = await insertPerson(shop.pool, {
    name: 'Rue',
    role: 'owner',
    passphrase: await hashSecret('seven grey geese'),
  });
  const painter = await insertPerson(shop.pool, {
    name: 'Bo',
    role: 'painter',
    passphrase: await hashSecret('eight grey geese'),
  });
  await updatePerson(shop.pool, painter!.id, { pin: await hashSecret('4711') });
  expect(owner).not.toBeNull();
  await writeBackup(shop.pool, file('bare'));
  await saveBackupKey(shop.pool, await newBackupKey(PASSPHRASE), 'Rue');
  await writeBackup(shop.pool, file('encrypted'));
});
afterAll(() => rmSync(folder, { recursive: true }));

const text = (name: string) => gunzipSync(readFileSync(file(name))).toString();
const secretsIn = async ({ pool }: TestServer) =>
  (await pool.query('SELECT name, passphrase, pin FROM people ORDER BY name')).rows as object[];
const signIn = ({ app }: TestServer, name: string, passphrase: string) =>
  request(app).post('/api/sign-in').send({ name, passphrase, device: 'test' });

it('no hash of any secret can be read in them', () => {
  for (const name of ['bare', 'encrypted']) {
    expect(text(name)).toMatch(/^people\t/m);
    expect(text(name)).not.toMatch(/\$argon2|passphrase":"/);
  }
});

it('with its passphrase a backup is put back with all of them', async () => {
  const other = await startTestServer({ demo: false, signIn: true });
  await expect(restoreBackup(other.pool, file('encrypted'), 'another passphrase')).rejects.toThrow(
    /not its backup passphrase/,
  );
  expect((await restoreBackup(other.pool, file('encrypted'), PASSPHRASE)).code).toBeNull();
  expect(await secretsIn(other)).toEqual(await secretsIn(shop));
  await signIn(other, 'Bo', 'eight grey geese').expect(201);
  await other.close();
});

it.each(['bare', 'encrypted'])(
  'without it nobody can sign in, and an owner sets a new passphrase by a code: %s',
  async (name) => {
    const other = await startTestServer({ demo: false, signIn: true });
    const { code } = await restoreBackup(other.pool, file(name));
    expect(code).toMatch(/^[A-Z0-9]{4}-[A-Z0-9]{4}-[A-Z0-9]{4}$/);
    expect(await secretsIn(other)).toEqual([
      { name: 'Bo', passphrase: null, pin: null },
      { name: 'Rue', passphrase: null, pin: null },
    ]);
    await signIn(other, 'Bo', 'eight grey geese').expect(403);
    const setUp = (body: object) =>
      request(other.app)
        .post('/api/sign-in/set-up')
        .send({ device: 'test', passphrase: 'nine grey geese', ...body });
    await setUp({ code: 'AAAA-AAAA-AAAA', name: 'Rue' }).expect(403);
    // A painter does not become an owner by it.
    await setUp({ code, name: 'Bo' }).expect(422);
    await setUp({ code, name: 'Rue' }).expect(201);
    await signIn(other, 'Rue', 'nine grey geese').expect(201);
    await setUp({ code, name: 'Rue' }).expect(403);
    expect((await other.pool.query("SELECT count(*)::int AS count FROM people WHERE role = 'owner'")).rows).toEqual([
      { count: 1 },
    ]);
    await other.close();
  },
);

it('a code is of no use where an owner can sign in', async () => {
  const code = newCode();
  await saveSetUpCode(shop.pool, tokenHash(normalizeCode(code)));
  await request(shop.app)
    .post('/api/sign-in/set-up')
    .send({ code, name: 'Rue', passphrase: 'nine grey geese', device: 'test' })
    .expect(403);
});

it('one of the first version, with hashes in its rows, is put back as it was', async () => {
  const people = (await shop.pool.query<{ row: string }>('SELECT row_to_json(p)::text AS row FROM people p')).rows;
  const lines = [
    JSON.stringify({ format: 'lintrel-backup', version: 1, at: new Date().toISOString(), schema: '018_took.sql' }),
  ];
  lines.push(...people.map(({ row }) => `people\t${row}`));
  const body = `${lines.join('\n')}\n`;
  const end = JSON.stringify({
    end: true,
    rows: people.length,
    sha256: createHash('sha256').update(body).digest('hex'),
  });
  writeFileSync(file('first'), gzipSync(`${body}${end}\n`));
  const other = await startTestServer({ demo: false, signIn: true });
  expect(await restoreBackup(other.pool, file('first'))).toEqual({ rows: people.length, code: null });
  expect(await secretsIn(other)).toEqual(await secretsIn(shop));
  await other.close();
});

it('a line without end is refused before it fills the memory', async () => {
  writeFileSync(file('endless'), gzipSync(Buffer.alloc(2 * MAX_LINE_LENGTH, 'x')));
  const before = process.memoryUsage().rss;
  await expect(checkedBackup(file('endless'))).rejects.toThrow(/a line is longer than 64 million characters/);
  expect(process.memoryUsage().rss - before).toBeLessThan(8 * MAX_LINE_LENGTH);
});

it('only an owner sets the passphrase of backups', async () => {
  const cookie = async (name: string, passphrase: string) =>
    (await signIn(shop, name, passphrase).expect(201)).get('Set-Cookie')![0]!.split(';')[0]!;
  const set = (as: string, passphrase: string) =>
    request(shop.app).put('/api/shop/backup-key').set('Cookie', as).send({ passphrase });
  await set(await cookie('Bo', 'eight grey geese'), 'a ladder in the yard').expect(403);
  const owner = await cookie('Rue', 'seven grey geese');
  await set(owner, 'short').expect(422);
  await set(owner, 'a ladder in the yard').expect(200);
  await writeBackup(shop.pool, file('later'));
  const other = await startTestServer({ demo: false });
  await restoreBackup(other.pool, file('later'), 'a ladder in the yard');
  expect(await secretsIn(other)).toEqual(await secretsIn(shop));
  await other.close();
});
