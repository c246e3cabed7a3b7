import { networkInterfaces } from 'node:os';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { answerError } from '../errors/errors';
import { guard } from './guard';

const app = express();
app.use(guard(['shop.test']));
app.use((_request, response) => void response.json({ ok: true }));
app.use(answerError(pino({ level: 'silent' })));
const ask = (headers: Record<string, string>, path = '/api/jobs', method: 'get' | 'post' | 'delete' = 'get') =>
  request(app)[method](path).set(headers);
const own = Object.values(networkInterfaces())
  .flat()
  .find((address) => address?.family === 'IPv4')?.address as string;

it.each([
  'localhost',
  'localhost:4600',
  '127.0.0.1:4600',
  '127.1.2.3',
  '[::1]:4600',
  `${own}:4600`,
  'shop.test:4600',
  'SHOP.test',
  'shop.test.',
])('answers to %s', async (host) => void (await ask({ host }).expect(200)));
it.each([
  'evil.test',
  'evil.test:4600',
  'shop.test.evil.test',
  '8.8.8.8',
  'localhost.evil.test',
  '127.0.0.1.evil.test',
  'a b',
  '',
  '[::2]',
  'localhost:4600:1',
])('does not answer to "%s", page or data', async (host) => {
  for (const path of ['/', '/api/jobs'])
    expect((await ask({ host }, path).expect(421)).body.error).toMatchObject({ code: 'other-host' });
});
it.each(['http://evil.test', 'null', 'http://127.0.0.1:4601', 'http://shop.test', 'garbage'])(
  'lets no page of %s read, write or delete',
  async (origin) => {
    for (const method of ['get', 'post', 'delete'] as const)
      expect((await ask({ host: '127.0.0.1:4600', origin }, '/api/jobs', method).expect(403)).body.error).toMatchObject(
        { code: 'other-origin' },
      );
  },
);
it('lets its own pages do all of it, over HTTPS before it too', async () => {
  for (const origin of ['http://shop.test:4600', 'https://shop.test:4600'])
    await ask({ host: 'shop.test:4600', origin }, '/api/jobs', 'post').expect(200);
});
it('lets a link from elsewhere open the page, but not what is behind it', async () => {
  await ask({ host: 'shop.test', 'sec-fetch-site': 'cross-site' }, '/job/1').expect(200);
  await ask({ host: 'shop.test', 'sec-fetch-site': 'cross-site' }).expect(403);
});
