import { EventEmitter } from 'node:events';
import { BASE_DATUM, emptyDesign, SHIPPED_SHELF, type Design, type PartId, type WorkProgress } from '@lintrel/core';
import type { Response } from 'express';
import { MOST_AT_ONCE, MOST_WAITING, openWorkshop, type Workshop } from './workshop';

const shelf = SHIPPED_SHELF;
/** A drawing of so many curves that reading it takes seconds. */
const heavy = `<svg xmlns="http://www.w3.org/2000/svg" width="9000mm" viewBox="0 0 9000 9000">${Array.from(
  { length: 9000 },
  (_, index) => `<path d="M0 ${index}C3000 ${index + 3000} 6000 ${index - 3000} 9000 ${index}"/>`,
).join('')}</svg>`;
const quick = { name: 'bend', input: { radius: 120, width: 6, stretch: 0.15, fold: 0.005 }, shelf };
const closing = () => new EventEmitter() as unknown as Response & EventEmitter;
const opened: Workshop[] = [];
const workshop = (limits?: Parameters<typeof openWorkshop>[0]) => {
  const own = openWorkshop(limits);
  opened.push(own);
  return own;
};
afterAll(() => Promise.all(opened.map((one) => one.close())));

it('works out plans and answers', async () => {
  const design = JSON.stringify(emptyDesign('Empty', 'other'));
  expect(await workshop().run('plan', { design, shelf })).toMatchObject({ steps: 0, text: expect.stringMatching(/^{"format":"lintrel-plan"/) });
  expect(await opened[0]!.run('ask', quick)).toMatchObject({ ok: true, value: { verdict: 'stretch' } });
});
it('gives up what takes too long, says so, and goes on', async () => {
  const hasty = workshop({ mostMs: 30 });
  await expect(hasty.run('readDrawing', { text: heavy, wish: null })).rejects.toMatchObject({
    status: 422,
    code: 'too-much',
    message: /takes longer than 0.03 s/,
  });
  const patient = workshop({ mostMs: 20_000 });
  expect(await patient.run('ask', quick)).toMatchObject({ ok: true });
});
it('gives up what needs too much memory, says so, and goes on', async () => {
  const small = workshop({ mostMemoryMb: 64 });
  const text = `{"log":[${'{},'.repeat(3_000_000)}{}]}`;
  await expect(small.run('checkFile', Buffer.from(text))).rejects.toMatchObject({ status: 422, code: 'too-much', message: /memory/ });
  expect(await small.run('ask', quick)).toMatchObject({ ok: true });
});
it('ends the work when whoever asked has gone', async () => {
  const answering = closing();
  const asked = opened[0]!.run('readDrawing', { text: heavy, wish: null }, answering);
  setTimeout(() => answering.emit('close'), 20);
  await expect(asked).rejects.toMatchObject({ code: 'aborted' });
  expect(answering.listenerCount('close')).toBe(0);
});
it('answers one while another is being worked out', async () => {
  const order: string[] = [];
  const answering = closing();
  const long = opened[0]!.run('readDrawing', { text: heavy, wish: null }, answering).then(
    () => order.push('long'),
    () => order.push('long'),
  );
  await opened[0]!.run('ask', quick).then(() => order.push('quick'));
  answering.emit('close');
  await long;
  expect(order).toEqual(['quick', 'long']);
});
it('refuses more than may wait', async () => {
  const answering = closing();
  answering.setMaxListeners(100);
  const more = 15;
  const asked = Array.from({ length: MOST_AT_ONCE + MOST_WAITING + more }, () => opened[0]!.run('readDrawing', { text: heavy, wish: null }, answering));
  const refusals = Promise.allSettled(asked).then((all) => all.map((one) => one.status === 'rejected' && (one.reason as { code: string }).code));
  setTimeout(() => answering.emit('close'), 100);
  const codes = await refusals;
  expect(codes.filter((code) => code === 'busy').length).toBe(more);
  expect(codes.filter((code) => code === 'aborted').length).toBe(MOST_AT_ONCE + MOST_WAITING);
});
it('tells how far it is: what is done, the pages as they are written, and those that wait their turn', async () => {
  const told: WorkProgress[][] = [[], [], [], [], []];
  const plain = {
    id: 'board' as PartId,
    name: 'Board',
    count: 1,
    substrate: 'steel',
    present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 },
  } as const;
  const outline = { kind: 'rectangle', width: 4000, height: 2500 } as const;
  const design: Design = { ...emptyDesign('Large', 'other'), parts: [{ ...plain, surface: { kind: 'flat', outline }, datums: [BASE_DATUM], lines: [] }] };
  const wish = { what: 'template', unit: 'mm', part: 'board' as PartId, paper: 'A4', mirrored: false, single: false } as const;
  const printed = await Promise.all(
    told.map((list) => opened[0]!.run('print', { design: JSON.stringify(design), shelf, wish }, undefined, (progress) => list.push(progress))),
  );
  expect(printed.every(({ ok }) => ok)).toBe(true);
  for (const list of told) {
    const pages = list.filter(({ doing }) => doing === 'writing');
    expect(list.find(({ doing }) => doing !== 'waiting')).toEqual({ doing: 'working-out', done: 0, of: 0 });
    expect(pages[0]).toMatchObject({ done: 0 });
    expect(pages.every(({ done, of }) => of > 50 && done < of)).toBe(true);
  }
  expect(told.filter((list) => list[0]!.doing === 'waiting')).toHaveLength(told.length - MOST_AT_ONCE);
});
