import type { Design, DrawingSummary, ImportedDrawing, JobSummary } from '@lintrel/core';
import { readSvg } from '@lintrel/core/files';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
const app = () => server.app;

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="200mm" viewBox="0 0 300 200"><g id="rim"><path d="M10 10h280v180h-280z"/></g><g id="trim"><path d="M10 100C100 60 200 140 290 100"/></g></svg>';
const WISH = { unitMm: 1, outline: 'rim', lines: ['trim'], lineId: 'line-1', lineName: 'Imported', datum: 'base' };

let jobs: JobSummary[] = [];
const idOf = (title: string): string => jobs.find((job) => job.title === title)?.id ?? '';
beforeAll(async () => {
  server = await startTestServer();
  jobs = (await request(app()).get('/api/jobs')).body.jobs;
});
afterAll(() => server.close());
describe('drawings', () => {
  it('are read: size, unit and layers', async () => {
    const { body, status } = await request(app()).post('/api/drawings').send({ text: SVG });
    expect(status).toBe(200);
    expect(body as DrawingSummary).toEqual({
      unitMm: 1,
      width: 280,
      height: 180,
      layers: [
        { name: 'rim', paths: 1 },
        { name: 'trim', paths: 1 },
      ],
      skipped: [],
    });
  });
  it('become an outline and a line', async () => {
    const { body } = await request(app()).post('/api/drawings/take').send({ text: SVG, wish: WISH });
    const { outline, line, left } = body as ImportedDrawing;
    expect(left).toEqual([]);
    expect(outline).toMatchObject({ kind: 'polygon', points: expect.arrayContaining([[10, 10]]) });
    expect(line).toMatchObject({ kind: 'imported', id: 'line-1', paths: [{ closed: false }] });
  });
  it('that are none are refused with a sentence', async () => {
    const { status, body } = await request(app()).post('/api/drawings').send({ text: '<svg><path d="M0 0' });
    expect([status, body.error.code]).toEqual([422, 'drawing']);
    expect(body.error.message).toMatch(/no sound SVG/);
    expect((await request(app()).post('/api/drawings').send({})).status).toBe(422);
  });
  it('of more places than a line may have give what can be kept, and say what was left', async () => {
    const paths = Array.from(
      { length: 40 },
      (_, path) =>
        `<path d="M${Array.from({ length: 2000 }, (_one, at) => `${at / 10} ${path + (at % 2)}`).join('L')}"/>`,
    );
    const text = `<svg xmlns="http://www.w3.org/2000/svg" width="300mm" viewBox="0 0 300 200"><g id="trim">${paths.join('')}</g></svg>`;
    const { body } = await request(app())
      .post('/api/drawings/take')
      .send({ text, wish: { ...WISH, outline: null } })
      .expect(200);
    const { line, left } = body as ImportedDrawing;
    expect(line?.kind === 'imported' && line.paths.length).toBe(15);
    expect(left).toEqual([{ code: 'taken.paths', values: { paths: 25 } }]);
  });
  it('larger than any drawing are refused before they are read', async () => {
    const { status } = await request(app())
      .post('/api/drawings')
      .send({ text: 'x'.repeat(80_000_000) });
    expect(status).toBe(413);
  });
});

describe('what is printed and written', () => {
  const post = (title: string, path: string, body: object) =>
    request(app())
      .post(`/api/jobs/${idOf(title)}/${path}`)
      .send(body)
      .buffer(true)
      .parse((answer, done) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk)).on('end', () => done(null, Buffer.concat(chunks)));
      });

  it.each([
    ['Juniper', { what: 'template', part: 'lid' }],
    ['Juniper', { what: 'template', part: 'lid', mirrored: true, paper: 'Letter' }],
    ['Ostrel', { what: 'template', part: 'boom', single: true }],
    ['Ostrel', { what: 'template', part: 'nose' }],
    ['Brindle', { what: 'template', part: 'house' }],
    ['Saltwort', { what: 'stations', part: 'starboard', line: 'sheer', step: 200 }],
    ['Brindle', { what: 'masks', width: 50 }],
    ['Tansy', { what: 'lay' }],
    ['Ostrel', { what: 'lay', unit: 'in', paper: 'Letter' }],
  ])('%s: %j is a PDF', async (title, wish) => {
    const { status, body, headers } = await post(title, 'print', wish);
    expect([status, headers['content-type']]).toEqual([200, 'application/pdf']);
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  });
  it('what cannot be printed says why', async () => {
    const refusal = async (wish: object) =>
      JSON.parse(((await post('Juniper', 'print', wish)).body as Buffer).toString()).error;
    expect(await refusal({ what: 'template', part: 'moon' })).toMatchObject({
      code: 'print',
      message: 'There is no part "moon".',
    });
    expect(await refusal({ what: 'poster' })).toMatchObject({ code: 'invalid' });
    expect(await refusal({ what: 'stations', part: 'right', line: 'nowhere' })).toMatchObject({
      message: expect.stringMatching(/nothing to mark/),
    });
  });
  it.each(['svg', 'dxf'])('a part goes out as %s', async (format) => {
    const { status, body } = await post('Juniper', 'drawing', { part: 'right', format });
    expect(status).toBe(200);
    const text = (body as Buffer).toString();
    if (format === 'svg') expect(readSvg(text)).toMatchObject({ ok: true, value: { unitMm: 1 } });
    else expect(text).toMatch(/POLYLINE[\s\S]*EOF/);
  });
  it('a station table goes out as a list', async () => {
    const { status, body } = await post('Saltwort', 'stations.csv', {
      what: 'stations',
      part: 'starboard',
      line: 'sheer',
      step: 500,
    });
    expect(status).toBe(200);
    const [head, ...rows] = (body as Buffer).toString().trim().split('\r\n');
    expect(head).toBe('Along,Height on the skin,Height plumb,Height on Port topside');
    expect(rows.length).toBeGreaterThan(9);
    for (const row of rows) expect(row.split(',')[1]).toBe(row.split(',')[3]);
  });
});

it('the demo jobs are set out without a fault', async () => {
  for (const { id, title } of jobs) {
    const { body: job } = await request(app()).get(`/api/jobs/${id}`);
    const { body: plan } = await request(app()).get(`/api/jobs/${id}/plan`);
    expect((job.design as Design).parts.length).toBeGreaterThan(0);
    const faults = plan.parts.flatMap((part: { lines: { code: string; fault: string | null }[] }) =>
      part.lines.flatMap(({ code, fault }) => (fault ? [`${title} ${code} ${fault}`] : [])),
    );
    expect(faults).toEqual([]);
    for (const part of plan.parts)
      for (const { chosen, code } of part.areas)
        expect([title, part.id, code, chosen]).toEqual([title, part.id, code, true]);
  }
});
