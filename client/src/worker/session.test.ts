import { AIMS, type Design, emptyDesign, type Part, planJob, type Shelf, SHIPPED_SHELF } from '@lintrel/core';
import { createJobSession, type JobSession, type WorkerChannel } from './jobSession';
import type { FromSession, ToSession } from './messages';
import { createSession } from './session';

// The session behind a line that copies every message, as a worker does. Its long work goes on when a test turns the crank.

const straight = (id: string, above: number) => ({
  kind: 'straight' as const,
  id,
  name: id,
  datum: 'base',
  runOn: false,
  from: { along: 0, above },
  to: { along: 900, above },
});
const door = (id: string, above: number): Part => ({
  id,
  name: id,
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#c7bfa6', ageH: 0 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 900, height: 600 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [straight('low', above), straight('high', 400)],
});
const at = (part: string, above: number, finish: string) => ({ part, seed: [450, above] as [number, number], finish });
const job = (above = 200): Design => ({
  ...emptyDesign('Doors', 'road'),
  parts: [door('left', above), door('right', 200)],
  scheme: {
    areas: [
      at('left', 100, 'cream-two-part'),
      at('left', 300, 'sea-green-two-part'),
      at('right', 500, 'blaze-two-part'),
    ],
  },
});

interface Bench {
  readonly session: JobSession;
  readonly sent: ToSession[];
  readonly said: FromSession[];
  /** Lets the worker take one slice of long work; false where there is none. */
  readonly crank: () => boolean;
  readonly finish: () => void;
  readonly breakDown: (message: string) => void;
  readonly calls: () => number;
}

function bench(): Bench {
  const [sent, said]: [ToSession[], FromSession[]] = [[], []];
  let waiting: (() => void)[] = [];
  let breakDown: (message: string) => void = () => undefined;
  let calls = 0;
  const session = createJobSession((heard, broken): WorkerChannel => {
    calls++;
    waiting = [];
    breakDown = broken;
    const hear = createSession(
      (news) => {
        said.push(structuredClone(news));
        heard(structuredClone(news));
      },
      (work) => waiting.push(work),
    );
    return {
      post: (message) => {
        sent.push(message);
        hear(structuredClone(message));
      },
      hangUp: () => (waiting = []),
    };
  });
  const crank = () => {
    const work = waiting.shift();
    work?.();
    return work !== undefined;
  };
  return {
    session,
    sent,
    said,
    crank,
    finish: () =>
      void (() => {
        while (crank());
      })(),
    breakDown: (message) => breakDown(message),
    calls: () => calls,
  };
}

const text = (value: unknown) => JSON.stringify(value);
const kinds = (said: readonly FromSession[]) => said.map(({ kind }) => kind);

describe('the plan of the open job', () => {
  it('is the one core gives, to the byte, with geometry told before the order', () => {
    const { session, said, finish } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    finish();
    expect(kinds(said)).toEqual(['parts', 'plan']);
    expect(text(session.state().plan?.plan)).toBe(text(planJob(job(), SHIPPED_SHELF)));
  });

  it('comes back in pieces: what did not change is named, and stays the very object', () => {
    const { session, sent, said, finish } = bench();
    const before = job();
    session.put('a', before, SHIPPED_SHELF);
    finish();
    const whole = text(said).length;
    const first = session.state().plan?.plan;
    const after: Design = { ...before, parts: [door('left', 230), before.parts[1]!] };
    said.length = 0;
    session.put('a', after, SHIPPED_SHELF);
    finish();
    const set = sent.at(-1);
    expect(set?.kind === 'set' && set.design.parts[1]).toBe('right');
    expect(set).not.toHaveProperty('shelf');
    expect(text(session.state().plan?.plan)).toBe(text(planJob(after, SHIPPED_SHELF)));
    expect(session.state().plan?.plan.parts[1]).toBe(first?.parts[1]);
    expect(text(said).length).toBeLessThan(whole);
  });

  it('of an older design is left when a newer one comes, and never shown for it', () => {
    const { session, said, crank, finish } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    crank();
    const newer = job(260);
    session.put('a', newer, SHIPPED_SHELF);
    finish();
    expect(kinds(said).filter((kind) => kind === 'plan')).toHaveLength(1);
    expect(session.state().plan?.of).toBe(newer);
  });

  it('of another job is not shown for this one', () => {
    const { session, finish } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    finish();
    session.put('b', job(300), SHIPPED_SHELF);
    expect(session.state().plan).toBeNull();
    finish();
    expect(text(session.state().plan?.plan)).toBe(text(planJob(job(300), SHIPPED_SHELF)));
  });

  it('that cannot be worked out says why, and the next design is worked out again', () => {
    const { session, finish } = bench();
    const nothing: Shelf = { ...SHIPPED_SHELF, finishes: [] };
    session.put('a', job(), nothing);
    finish();
    expect(session.state().error).toMatch(/no finish/);
    session.put('a', job(), SHIPPED_SHELF);
    expect(session.state().error).toBeNull();
    finish();
    expect(session.state().plan).not.toBeNull();
  });
});

describe('a finger', () => {
  const wish = { part: 'left', line: 'low', key: 'from', place: [0, 215] as const, reachMm: 0, tapes: [] };
  it('is answered before the plan, and nothing of the job is sent for it', async () => {
    const { session, sent, said, crank } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    const result = await session.drag(wish);
    expect(result?.line).toMatchObject({ from: { above: 215 } });
    expect(kinds(said)).toEqual(['dragged']);
    expect(text(sent.at(-1)).length).toBeLessThan(200);
    expect(crank()).toBe(true);
  });

  it('that asks about a line that is gone gets none', async () => {
    const { session } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    await expect(session.drag({ ...wish, line: 'gone' })).resolves.toBeNull();
  });
});

describe('a change', () => {
  it('comes back with its finishes carried along, and is planned without being sent again', async () => {
    const { session, sent, finish } = bench();
    const before = job();
    session.put('a', before, SHIPPED_SHELF);
    finish();
    // The line moves past the place the cream was given at.
    const carried = await session.carry({ ...before, parts: [door('left', 80), before.parts[1]!] });
    const cream = carried.scheme.areas.find(({ finish: id }) => id === 'cream-two-part');
    expect(cream?.seed[1]).toBeLessThan(80);
    expect(carried.parts[1]).toBe(before.parts[1]);
    session.put('a', carried, SHIPPED_SHELF);
    expect(sent.filter(({ kind }) => kind === 'set')).toHaveLength(2);
    finish();
    expect(session.state().plan?.of).toBe(carried);
    expect(text(session.state().plan?.plan)).toBe(text(planJob(carried, SHIPPED_SHELF)));
  });

  it('that cannot be carried is refused, and the job stays as it was', async () => {
    const { session, finish } = bench();
    const before = job();
    session.put('a', before, SHIPPED_SHELF);
    finish();
    const broken = {
      ...before,
      parts: [{ ...door('left', 100), surface: null as unknown as Part['surface'] }, before.parts[1]!],
    };
    await expect(session.carry(broken)).rejects.toThrow();
    expect(session.state().design).toBe(before);
    const after = await session.carry({ ...before, parts: [door('left', 150), before.parts[1]!] });
    finish();
    expect(text(session.state().plan?.plan)).toBe(text(planJob(after, SHIPPED_SHELF)));
  });
});

describe('a question', () => {
  it('is answered about the design that was put last, before the plan is done', () => {
    const { session, said } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    const told: unknown[] = [];
    session.ask('handles', { part: 'left', line: 'low' }, (output) => told.push(output));
    session.ask('fits', { part: 'left', line: 'low' }, (output) => told.push(output?.length));
    expect(told).toEqual([
      [expect.objectContaining({ key: 'from' }), expect.objectContaining({ key: 'to' })],
      SHIPPED_SHELF.tapes.length,
    ]);
    expect(kinds(said)).toEqual(['answer', 'answer']);
  });

  it('that takes long lets the plan go first, and is dropped when nobody waits for it', () => {
    const { session, said, finish } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    const told: unknown[] = [];
    session.ask('wishes', {}, (output) => told.push(output?.map(({ wish }) => wish)));
    const leave = session.ask('search', {}, () => told.push('search'));
    leave();
    finish();
    expect(kinds(said)).toEqual(['parts', 'plan', 'answer']);
    expect(told).toEqual([[...AIMS]]);
  });

  it('is to be asked again when the shelf is another', () => {
    const { session } = bench();
    const design = job();
    session.put('a', design, SHIPPED_SHELF);
    const { turn } = session.state();
    session.put('a', design, SHIPPED_SHELF);
    expect(session.state().turn).toBe(turn);
    session.put('a', design, { ...SHIPPED_SHELF, tapes: SHIPPED_SHELF.tapes.slice(1) });
    expect(session.state().turn).not.toBe(turn);
    expect(session.state().plan?.turn).not.toBe(session.state().turn);
    const told: unknown[] = [];
    session.ask('fits', { part: 'left', line: 'low' }, (output) => told.push(output?.length));
    expect(told).toEqual([SHIPPED_SHELF.tapes.length - 1]);
  });

  it('that makes no sense is answered with the reason', () => {
    const { session } = bench();
    session.put('a', job(), SHIPPED_SHELF);
    const listener = jest.fn();
    session.ask('draft', { design: { ...job(), parts: [{}] } as unknown as Design }, listener);
    expect(listener).toHaveBeenCalledWith(null, expect.any(String));
  });
});

it('a worker that ends by itself is told of, and the next question starts another that knows the job', () => {
  const { session, breakDown, finish, calls } = bench();
  const design = job();
  session.put('a', design, SHIPPED_SHELF);
  const listener = jest.fn();
  session.ask('wishes', {}, listener);
  breakDown('out of memory');
  expect(session.state().error).toBe('out of memory');
  expect(listener).toHaveBeenCalledWith(null, 'out of memory');
  const again = jest.fn();
  session.ask('handles', { part: 'left', line: 'low' }, again);
  expect(again).toHaveBeenCalledWith([expect.anything(), expect.anything()], null);
  finish();
  expect(calls()).toBe(2);
  expect(text(session.state().plan?.plan)).toBe(text(planJob(design, SHIPPED_SHELF)));
});
