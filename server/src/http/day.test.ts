import { randomUUID } from 'node:crypto';
import {
  type AirAnswer,
  type DayAnswer,
  type KeptShopDay,
  type MinutesAnswer,
  type Step,
  workSort,
} from '@lintrel/core';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing/server';
import { calendarFrom } from '../work/plan-the-day';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  // Whatever the hour is now, it is one of work.
  const { revision, day: usual } = await hours();
  const always = { ...usual, people: usual.people.map((one) => ({ ...one, week: week(0, 1440) })) };
  await request(server.app).put('/api/shop/day').send({ revision, day: always }).expect(200);
});
afterAll(() => server.close());
const day = async () => (await request(server.app).get('/api/day').expect(200)).body as DayAnswer;
const hours = async () => (await request(server.app).get('/api/shop/day').expect(200)).body as KeptShopDay;
const week = (fromMin: number, toMin: number) => Array.from({ length: 7 }, () => ({ fromMin, toMin }));

it('plans what is left of the jobs in the shop: in order, by somebody, in their hours', async () => {
  const { work, people, endMs, leastEndMs, troubles, now } = await day();
  expect(new Set(work.map(({ title }) => title))).toEqual(new Set(['Juniper', 'Saltwort']));
  expect(troubles).toEqual([]);
  expect(people).toEqual([{ id: 'one', name: 'You' }]);
  expect(leastEndMs).toBeLessThanOrEqual(endMs!);
  for (const [index, one] of work.entries()) {
    expect(one.people).toEqual(['one']);
    expect(one.startMs).toBeGreaterThanOrEqual(now - 60_000);
    if (index > 0) expect(one.startMs).toBeGreaterThanOrEqual(work[index - 1]!.endMs - 1);
  }
  // Every step of a run sheet that is not done stands in it once.
  const steps = work.flatMap((one) => one.steps.map(({ id }) => `${one.job} ${id}`));
  expect(new Set(steps).size).toBe(steps.length);
  const coat = work.find(({ steps: [first], title }) => title === 'Juniper' && first!.id.includes('coat'))!;
  expect(coat.places).toEqual(['booth', 'gun gun']);
});

it('says the last safe start of a coat whose pull has a window', async () => {
  const { work } = await day();
  const latest = work.filter((one) => one.latest !== null);
  expect(latest.length).toBeGreaterThan(0);
  for (const { latest: last, startMs } of latest) expect(last!.atMs).toBeGreaterThanOrEqual(startMs - 60_000);
});

it('stays as it was when nothing happened, by what it kept', async () => {
  const before = await day();
  const after = await day();
  expect(after.work.map(({ id }) => id)).toEqual(before.work.map(({ id }) => id));
});

it('keeps hours of people, plans by them, and refuses those changed meanwhile', async () => {
  const { revision, day: first } = await hours();
  expect(revision).toBe(1);
  const two = {
    ...first,
    people: ['Ada', 'Bo'].map((name, index) => ({ id: `p${index}`, name, week: week(0, 1440), off: [] })),
  };
  const put = (body: object) => request(server.app).put('/api/shop/day').send(body);
  expect((await put({ revision, day: two }).expect(200)).body).toMatchObject({ revision: 2 });
  expect((await put({ revision, day: first }).expect(409)).body).toMatchObject({ error: { code: 'stale-entry' } });
  const { people, work } = await day();
  expect(people.map(({ name }) => name)).toEqual(['Ada', 'Bo']);
  expect(work.flatMap((one) => one.people).every((id) => id === 'p0' || id === 'p1')).toBe(true);
  await put({ revision: 2, day: { ...two, people: [{ ...two.people[0], week: week(900, 600) }] } }).expect(422);
  await put({ revision: 2, day: { ...two, zone: 'Nowhere/Land' } }).expect(422);
});

it('counts with the days to come: what is expected is told, and what is too cold or damp in it', async () => {
  const { revision, day: kept } = await hours();
  const dates = calendarFrom(Date.now(), kept.zone, 4).map(({ date }) => date);
  const before = await day();
  const forecast = dates.map((date) => ({ date, dayC: 7, nightC: 4, dayRh: 60, nightRh: 95 }));
  const put = (body: object) => request(server.app).put('/api/shop/day').send({ revision, day: body });
  expect(
    (await put({ ...kept, forecast: [{ ...forecast[0], nightC: 99 }] }).expect(422)).body.error.fields[0].path,
  ).toBe('day.forecast[0].nightC');
  await put({ ...kept, forecast }).expect(200);
  const { expected } = (await request(server.app).get('/api/air').expect(200)).body as AirAnswer;
  expect([Math.min(...expected.map(({ airC }) => airC)), Math.max(...expected.map(({ airC }) => airC))]).toEqual([
    4,
    expect.closeTo(7, 6),
  ]);
  const { work, endMs } = await day();
  expect(endMs!).toBeGreaterThan(before.endMs!);
  const cold = work.filter(({ air }) => air.some(({ code }) => code === 'cold'));
  expect(cold.length).toBeGreaterThan(0);
  for (const { air, startMs, endMs: end } of cold)
    for (const { atMs, worst } of air) {
      expect(atMs).toBeGreaterThanOrEqual(startMs - 1);
      expect(atMs).toBeLessThanOrEqual(end + 1);
      expect(worst).toBeLessThan(10);
    }
  await request(server.app)
    .put('/api/shop/day')
    .send({ revision: revision + 1, day: kept })
    .expect(200);
});

it('keeps what is fixed of a stretch of work, tells it, and lets it go', async () => {
  const { people, work } = await day();
  const one = work.find(({ people: by, places }) => by.length === 1 && places.length === 0)!;
  const other = people.find(({ id }) => id !== one.people[0])!.id;
  const pin = (body: object) =>
    request(server.app)
      .put('/api/day/pins')
      .send({ work: one.id, ...body });
  const told = async () => (await day()).work.find(({ id }) => id === one.id)!;
  await pin({ person: other, at: null }).expect(204);
  expect(await told()).toMatchObject({ people: [other], pinned: { person: other, atMs: null } });
  const at = new Date(one.startMs + 3 * 3_600_000).toISOString();
  await pin({ person: null, at }).expect(204);
  const fixed = await told();
  if (fixed.startMs === Date.parse(at)) expect((await day()).troubles).toEqual([]);
  else
    expect(
      Math.abs(fixed.startMs - Date.parse(at)) < 61_000 ||
        (await day()).troubles.some(({ code }) => code === 'day.pinned'),
    ).toBe(true);
  expect(fixed.pinned).toEqual({ person: null, atMs: Date.parse(at) });
  await pin({ person: null, at: null }).expect(204);
  expect((await told()).pinned).toBeNull();
  await pin({ person: null, at: 'soon' }).expect(422);
});

it('says what stands in the way where there is no day', async () => {
  const { revision, day: now } = await hours();
  const closed = Array.from({ length: 7 }, () => null);
  await request(server.app)
    .put('/api/shop/day')
    .send({ revision, day: { ...now, booth: closed } })
    .expect(200);
  expect((await day()).troubles).toMatchObject([{ code: 'day.closed', values: { job: 'Juniper' } }]);
  await request(server.app)
    .put('/api/shop/day')
    .send({ revision: revision + 1, day: { ...now, people: [] } })
    .expect(200);
  expect((await day()).troubles).toMatchObject([{ code: 'day.no-workers' }]);
  await request(server.app)
    .put('/api/shop/day')
    .send({ revision: revision + 2, day: now })
    .expect(200);
});

it('goes into a calendar', async () => {
  const { text, headers } = await request(server.app).get('/api/day.ics').expect(200);
  expect(headers['content-type']).toMatch(/text\/calendar/);
  const { work } = await day();
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(work.length);
  expect(text).toMatch(/SUMMARY:(Juniper|Saltwort): /);
  expect(text.endsWith('END:VCALENDAR') || text.endsWith('END:VCALENDAR\r\n')).toBe(true);
});

describe('midnights where the shop is', () => {
  const dates = (at: string, zone: string) =>
    calendarFrom(Date.parse(at), zone, 3).map(({ midnightMin, date, weekday }) => [
      new Date(midnightMin * 60_000).toISOString(),
      date,
      weekday,
    ]);
  it('lie where its clocks say, also over a change of clocks', () => {
    expect(dates('2026-03-28T15:00:00Z', 'Europe/Berlin')).toEqual([
      ['2026-03-27T23:00:00.000Z', '2026-03-28', 5],
      ['2026-03-28T23:00:00.000Z', '2026-03-29', 6],
      ['2026-03-29T22:00:00.000Z', '2026-03-30', 0],
    ]);
    expect(dates('2026-11-01T03:00:00Z', 'America/New_York')[0]).toEqual(['2026-10-31T04:00:00.000Z', '2026-10-31', 5]);
    expect(dates('2026-11-27T00:30:00Z', 'Pacific/Auckland')[0]).toEqual(['2026-11-26T11:00:00.000Z', '2026-11-27', 4]);
  });
});

it('tells when a job would be done that has not been begun, beside the others, and keeps nothing of it', async () => {
  const { jobs } = (await request(server.app).get('/api/jobs').expect(200)).body as {
    jobs: { id: string; title: string; state: string }[];
  };
  const planned = jobs.find(({ state }) => state === 'planning')!;
  const before = await day();
  const asked = (await request(server.app).get(`/api/jobs/${planned.id}/when`).expect(200)).body as DayAnswer;
  const own = asked.work.filter(({ job }) => job === planned.id);
  expect(own.length).toBeGreaterThan(2);
  expect(own[0]!.steps[0]!.say.code).toBe('step.wash');
  expect(own.every(({ people }) => people.length > 0)).toBe(true);
  expect(asked.work.length).toBe(own.length + before.work.length);
  expect(asked.endMs!).toBeGreaterThanOrEqual(own[own.length - 1]!.endMs);
  // One pair of hands: what is done for it is done by nobody else meanwhile.
  const inTurn = [...asked.work].sort((a, b) => a.startMs - b.startMs);
  for (const [index, one] of inTurn.slice(1).entries())
    if (one.people.some((id) => inTurn[index]!.people.includes(id)))
      expect(one.startMs).toBeGreaterThanOrEqual(inTurn[index]!.endMs - 1);
  expect((await day()).work.map(({ id }) => id).sort()).toEqual(before.work.map(({ id }) => id).sort());
  // One that is on in the shop is told as it is.
  const on = jobs.find(({ state }) => state === 'in-shop')!;
  const same = (await request(server.app).get(`/api/jobs/${on.id}/when`).expect(200)).body as DayAnswer;
  expect(same.work.map(({ id }) => id).sort()).toEqual(before.work.map(({ id }) => id).sort());
  await request(server.app).get(`/api/jobs/${randomUUID()}/when`).expect(404);
});

it('learns how long steps take by its run sheets, plans by it, and forgets it when told to', async () => {
  const minutes = async () => (await request(server.app).get('/api/shop/minutes').expect(200)).body as MinutesAnswer;
  const of = async (step: string) => (await day()).work.find(({ steps }) => steps.some(({ id }) => id === step))!;
  const { work, now } = await day();
  const { id: jobId, steps } = await sheetOf('Juniper');
  // Two steps of one sort with nothing to wait for between them, neither of them done.
  const left = work.filter(({ job }) => job === jobId).flatMap((one) => one.steps.map(({ id }) => id));
  const pair = steps.findIndex((step, index) => {
    const next = steps[index + 1];
    return (
      next !== undefined &&
      left.includes(step.id) &&
      left.includes(next.id) &&
      next.kind === 'lay' &&
      next.startMin === step.endMin &&
      step.attended
    );
  });
  const [first, second] = [steps[pair]!, steps[pair + 1]!];
  const planned = second.endMin - second.startMin;
  const done = (step: string, agoMin: number) => ({
    id: randomUUID(),
    version: 4,
    at: new Date(now - agoMin * 60_000).toISOString(),
    kind: 'done',
    step,
    note: '',
  });
  // The demo shop takes as long as planned.
  const before = await minutes();
  await request(server.app)
    .post(`/api/jobs/${jobId}/log`)
    .send({ entries: [done(first.id, 2 * planned + 1), done(second.id, 1)] })
    .expect(201);
  const sort = workSort(second);
  const known = (list: MinutesAnswer) => list.find((one) => one.sort === sort && one.person === null);
  const [was, is] = [known(before), known(await minutes())];
  expect(is!.count).toBe((was?.count ?? 0) + 1);
  expect(is!.factor).toBeGreaterThan((was?.factor ?? 1) * 1.02);
  const same = steps.find(
    (step) => left.includes(step.id) && step.id !== first.id && step.id !== second.id && workSort(step) === sort,
  )!;
  const one = await of(same.id);
  const plain = steps
    .filter(({ id }) => one.steps.some((step) => step.id === id))
    .reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0);
  expect((one.endMs - one.startMs) / 60_000).toBeGreaterThan(plain + 0.01);
  await request(server.app).delete('/api/shop/minutes').expect(200);
  expect(await minutes()).toEqual([]);
});

/** A job in the shop by its title, with the steps of its sheet. */
async function sheetOf(title: string): Promise<{ readonly id: string; readonly steps: readonly Step[] }> {
  const { jobs } = (await request(server.app).get('/api/jobs').expect(200)).body as {
    jobs: { id: string; title: string }[];
  };
  const { id } = jobs.find((job) => job.title === title)!;
  const { started } = (await request(server.app).get(`/api/jobs/${id}/run`).expect(200)).body as {
    started: { plan: { steps: Step[] } };
  };
  return { id, steps: started.plan.steps };
}
