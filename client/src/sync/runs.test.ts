import type { FrozenPlan, KeptEvent, RunRecord } from '@lintrel/core';
import { entry, newDisk } from '@/sync/testing';
import { fetchRun, idsIn, wholeRun } from './runs';

const plan: FrozenPlan = { format: 'lintrel-plan', version: 2, steps: [] };

it('keeps the sheet of each job, and puts it into answers that leave it out', () => {
  const known: Parameters<typeof wholeRun>[2] = new Map();
  expect(wholeRun('a', { started: null, events: [] }, known)).toEqual({ started: null, events: [] });
  const first = wholeRun('a', { started: { sheet: 3, revision: 1, plan }, events: [] }, known);
  const again = wholeRun('a', { started: { sheet: 3, revision: 1, plan: null }, events: [] }, known);
  expect(again).toEqual(first);
  // The very same object: nothing that is drawn from it is drawn anew.
  expect(again.started?.plan).toBe(plan);
});

it('says so where a sheet is left out that nobody has', () => {
  expect(() => wholeRun('b', { started: { sheet: 3, revision: 1, plan: null }, events: [] }, new Map())).toThrow(
    /nobody has/,
  );
});

describe('a run', () => {
  const kept = (seq: number): KeptEvent => ({ ...entry(), seq });
  const started = { sheet: 3, revision: 1, plan };
  let asked: string[] = [];
  /** What the server answers to the next requests; null: it is away. */
  const answers = (...all: (object | null)[]) => {
    asked = [];
    Object.assign(globalThis, {
      fetch: async (path: string) => {
        asked.push(path);
        const next = all.shift();
        if (!next) throw new TypeError('Failed to fetch');
        return new Response(JSON.stringify(next), { status: 200 });
      },
    });
  };
  const [one, two, three] = [kept(1), kept(2), kept(3)];

  it('is asked for whole once, then for what came after', async () => {
    const here = newDisk();
    answers({ started, events: [one] }, { sheet: 3, events: [two, three] }, { sheet: 3, events: [] });
    const first = await fetchRun('run-a', undefined, here);
    const second = await fetchRun('run-a', first, here);
    expect(second.events).toEqual([one, two, three]);
    expect(await fetchRun('run-a', second, here)).toBe(second);
    expect(asked).toEqual(['/api/jobs/run-a/run', '/api/jobs/run-a/log?after=1', '/api/jobs/run-a/log?after=3']);
    expect([...idsIn(second)]).toEqual([one.id, two.id, three.id]);
  });
  it('is asked for anew where another sheet runs', async () => {
    answers({ sheet: 4, events: [] }, { started: { sheet: 4, revision: 2, plan }, events: [] });
    expect((await fetchRun('run-b', { started, events: [one] }, newDisk())).started?.sheet).toBe(4);
  });
  it('is what this device has kept of it where there is no connection', async () => {
    const here = newDisk();
    answers({ started, events: [one] }, { sheet: 3, events: [two] });
    await fetchRun('run-c', await fetchRun('run-c', undefined, here), here);
    answers(null, null);
    const offline: RunRecord = await fetchRun('run-c', undefined, here);
    expect(offline).toEqual({ started, events: [one, two] });
    await expect(fetchRun('run-d', undefined, here)).rejects.toThrow(/cannot be reached/);
  });
});
