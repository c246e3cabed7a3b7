import { createServer } from 'node:net';
import type { AirAnswer } from '@lintrel/core';
import request from 'supertest';
import { until } from '../../../e2e/until';
import { insertAir, listAir, thinAir } from '../db/air';
import { startTestServer, type TestServer } from '../testing/server';
import { openSensor } from './listen';
import { DEFAULT_BOOTH, startSimulatedSensor } from './simulated';

describe('a sensor', () => {
  let now = Date.parse('2026-06-01T10:00:00Z');
  const clock = () => now;
  const booth = { ...DEFAULT_BOOTH, everyMs: 10, now: clock };
  it('is heard, kept once a second, with its drift', async () => {
    const sensor = await startSimulatedSensor(booth);
    const heard: [string, number][] = [];
    const listening = openSensor(sensor.port, (date, airC) => void heard.push([date.toISOString(), airC]), clock);
    await until('a reading', () => heard.length > 0);
    expect(listening.state()).toMatchObject({ state: 'speaking' });
    now += 1_000;
    await until('a reading', () => heard.length > 1);
    await new Promise((wait) => setTimeout(wait, 50));
    expect(heard.map(([at]) => at)).toEqual(['2026-06-01T10:00:00.000Z', '2026-06-01T10:00:01.000Z']);
    expect(heard[0]![1]).toBeCloseTo(booth.air(now).airC + 0.3, 0);
    listening.stop();
    await sensor.close();
  });
  it('that says nothing is silent, one that says what cannot be is told so, and neither is kept', async () => {
    let broken = false;
    let silent = false;
    const sensor = await startSimulatedSensor({ ...booth, broken: () => broken, silent: () => silent });
    const heard: number[] = [];
    const listening = openSensor(sensor.port, (_, airC) => void heard.push(airC), clock);
    await until('a reading', () => heard.length > 0);
    broken = true;
    now += 60_000;
    await until('the state', () => listening.state().state === 'out-of-range');
    silent = true;
    now += 5 * 60_000;
    expect(listening.state().state).toBe('silent');
    [broken, silent] = [false, false];
    await until('the state', () => listening.state().state === 'speaking');
    expect(heard.every((airC) => airC < 60)).toBe(true);
    listening.stop();
    await sensor.close();
  });
  it('that is something else is not believed, and heaps of it are cut off', async () => {
    const other = createServer((socket) => {
      socket.on('error', () => undefined);
      socket.write('<html>\n{"say":"air","airC":"warm","rhPercent":50}\n{"say":"air"}\n' + 'x'.repeat(20_000));
    });
    await new Promise<void>((ready) => other.listen(0, '127.0.0.1', ready));
    const heard: number[] = [];
    const listening = openSensor((other.address() as { port: number }).port, (_, airC) => void heard.push(airC), clock);
    await new Promise((wait) => setTimeout(wait, 200));
    expect(heard).toEqual([]);
    expect(listening.state()).toEqual({ state: 'silent', heardAt: null });
    listening.stop();
    await new Promise((done) => other.close(done));
  });
});

describe('the air of the shop', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());
  const air = async () => (await request(server.app).get('/api/air').expect(200)).body as AirAnswer;
  it('is typed by hand, kept and told in order; without a sensor it says so', async () => {
    expect(await air()).toEqual({ readings: [], expected: [], sensor: null });
    const at = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString();
    await request(server.app)
      .post('/api/air')
      .send({ at: at(5), airC: 17.5, rhPercent: 61 })
      .expect(201);
    await insertAir(server.pool, new Date(Date.now() - 30 * 60_000), 16, 70, 'sensor');
    expect((await air()).readings).toMatchObject([
      { airC: 16, by: 'sensor' },
      { airC: 17.5, rhPercent: 61, by: 'typed' },
    ]);
  });
  it('refuses what cannot be, and what lies in the future', async () => {
    const send = (body: object) =>
      request(server.app)
        .post('/api/air')
        .send({ at: new Date().toISOString(), airC: 20, rhPercent: 50, ...body });
    await send({ airC: 998 }).expect(422);
    await send({ rhPercent: 0 }).expect(422);
    await send({ at: new Date(Date.now() + 3_600_000).toISOString() }).expect(422);
  });
});

describe('readings that grow old', () => {
  const DAY_MS = 86_400_000;
  it('are kept in full for two days, by the minute for sixty, by the hour after; what is told stays the same', async () => {
    const server = await startTestServer({ demo: false });
    const now = new Date('2026-06-01T10:00:30Z');
    const fill = (from: string, to: string, every: string) =>
      server.pool.query(
        `INSERT INTO air_readings (at, air_c, rh_percent, by) SELECT at, 15 + extract(minute FROM at) / 10.0, 50, 'sensor' FROM generate_series($1::timestamptz, $2::timestamptz, $3::interval) at`,
        [from, to, every],
      );
    // A day and an hour in full, an hour that is a week old, three hours that are a hundred days old.
    await fill('2026-05-30T09:00:00Z', '2026-05-30T11:00:00Z', '1 second');
    await fill('2026-05-25T09:00:00Z', '2026-05-25T09:59:59Z', '1 second');
    await fill('2026-02-20T09:00:00Z', '2026-02-20T11:59:59Z', '1 minute');
    const before = await listAir(server.pool, now);
    expect(await thinAir(server.pool, now)).toBeGreaterThan(3_600);
    const counts = async (from: string, to: string) =>
      (
        await server.pool.query<{ count: number }>(
          'SELECT count(*)::int AS count FROM air_readings WHERE at BETWEEN $1 AND $2',
          [from, to],
        )
      ).rows[0]!.count;
    expect(await counts('2026-05-30T10:00:00Z', '2026-05-30T11:00:00Z')).toBe(3_601);
    expect(await counts('2026-05-30T09:00:00Z', '2026-05-30T09:59:59Z')).toBe(60);
    expect(await counts('2026-05-25T00:00:00Z', '2026-05-25T23:59:59Z')).toBe(60);
    expect(await counts('2026-02-20T00:00:00Z', '2026-02-20T23:59:59Z')).toBe(3);
    expect(await listAir(server.pool, now)).toEqual(before);
    expect(await thinAir(server.pool, now)).toBe(0);
    await server.close();
  });
  it('take at most a megabyte a day, once thinned', async () => {
    const server = await startTestServer({ demo: false });
    const now = new Date();
    await server.pool.query(
      `INSERT INTO air_readings (at, air_c, rh_percent, by) SELECT at, 20, 50, 'sensor' FROM generate_series($1::timestamptz, $2::timestamptz, '1 second') at`,
      [new Date(now.getTime() - 4 * DAY_MS), new Date(now.getTime() - 3 * DAY_MS)],
    );
    await thinAir(server.pool, now);
    // A copy, because rows that were deleted take space as long as an older snapshot may still see them.
    await server.pool.query('CREATE TABLE thinned (LIKE air_readings INCLUDING ALL)');
    await server.pool.query('INSERT INTO thinned SELECT * FROM air_readings');
    const { rows } = await server.pool.query<{ bytes: number }>(
      "SELECT pg_total_relation_size('thinned')::int AS bytes",
    );
    expect(rows[0]!.bytes).toBeLessThan(1_000_000);
    await server.close();
  });
});
