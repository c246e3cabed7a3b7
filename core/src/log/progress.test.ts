import fc from 'fast-check';
import type { StepId } from '../kit';
import { type AfterRule, readWorkSheet, type Step } from '../runsheet';
import type { LogEvent } from './event';
import { EMPTY_LOG, logAfter, progressFrom, progressOf } from './progress';
import { windowState } from './windows';

/** A rule of a made-up step. */
type After = Omit<AfterRule, 'step'> & { readonly step: string };
const step = (id: string, after: readonly After[] = [], attended = true): Step => ({
  id: id as StepId,
  stage: 1,
  kind: 'coat',
  items: [],
  startMin: 0,
  endMin: 0,
  attended,
  needs: [],
  after: after as readonly AfterRule[],
  say: { code: 'step.flash', values: {} },
  safety: [],
});
const STEPS = [
  step('one'),
  step('two', [{ step: 'one', from: 'end', minMin: 10, maxMin: 60, code: 'recoat' }]),
  step('three', [{ step: 'two', from: 'end', minMin: 0, maxMin: null, code: 'pull' }]),
];
let count = 0;
const event = (minute: number, kind: LogEvent['kind'], stepId: string | null = null): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  version: 1,
  at: new Date(Date.UTC(2026, 4, 4, 8, minute)).toISOString(),
  kind,
  step: stepId as StepId | null,
  note: '',
});
const at = (minute: number) => Date.UTC(2026, 4, 4, 8, minute);

it('runs no window before the start', () =>
  expect(progressOf(STEPS, [])).toMatchObject({ startedAt: null, running: [], next: STEPS[0] }));

it('opens and closes a window by the clock from the step it waits for', () => {
  const { running, next } = progressOf(STEPS, [event(0, 'start'), event(5, 'done', 'one')]);
  expect(next?.id).toBe('two');
  expect(running).toEqual([{ step: 'two', say: STEPS[1]!.say, code: 'recoat', opens: at(15), closes: at(65) }]);
  expect([at(14), at(15), at(65), at(66)].map((now) => windowState(running[0]!, now))).toEqual([
    'before',
    'open',
    'open',
    'passed',
  ]);
  expect(windowState({ opens: at(0), closes: null }, at(9999))).toBe('open');
});

it('takes a step back when a later entry says so, however wrong the clock of its device is', () => {
  const events = [event(0, 'start'), event(5, 'done', 'one'), event(3, 'undo', 'one')];
  expect(progressOf(STEPS, events).next?.id).toBe('one');
  expect(progressOf(STEPS, [...events, event(12, 'done', 'one')]).doneAt.get('one')).toBe(at(12));
});

it('begins anew with a later start, and ends with the job', () => {
  const events = [event(0, 'start'), event(5, 'done', 'one'), event(20, 'start')];
  expect(progressOf(STEPS, events).doneAt.size).toBe(0);
  const finished = progressOf(STEPS, [...events, event(30, 'finish')]);
  expect(finished).toMatchObject({ finishedAt: at(30), next: null, running: [] });
});

it('goes by no entry that was told on another sheet', () => {
  const events = [
    event(0, 'start'),
    { ...event(5, 'done', 'one'), sheet: 1 },
    event(20, 'start'),
    { ...event(15, 'done', 'two'), sheet: 1 },
  ];
  expect(progressOf(STEPS, events, 2).doneAt.size).toBe(0);
  expect([...progressOf(STEPS, [...events, { ...event(25, 'done', 'two'), sheet: 2 }], 2).doneAt.keys()]).toEqual([
    'two',
  ]);
  expect([...progressOf(STEPS, events).doneAt.keys()]).toEqual(['two']);
});

it('goes by no entry for a step that is not on the sheet', () =>
  expect(progressOf(STEPS, [event(0, 'start'), event(1, 'done', 'unknown')]).next?.id).toBe('one'));

it('passes over what nobody does, and over the mere order of steps', () => {
  const steps = [
    step('lay'),
    step('wait', [], false),
    step('coat', [{ step: 'lay', from: 'end', minMin: 0, maxMin: null, code: 'order' }]),
  ];
  const { next, running } = progressOf(steps, [event(0, 'start'), event(5, 'done', 'lay')]);
  expect([next?.id, running]).toEqual(['coat', []]);
});

describe('a step that waits for several', () => {
  const pull = (of: string, minMin: number, maxMin: number | null) => ({
    step: of,
    from: 'end' as const,
    minMin,
    maxMin,
    code: 'pull',
  });
  const steps = [step('first'), step('last'), step('pull', [pull('first', 60, 600), pull('last', 30, 900)])];
  const running = (...done: [number, string][]) =>
    progressOf(steps, [event(0, 'start'), ...done.map(([at, id]) => event(at, 'done', id))]).running;
  it('is told a deadline as soon as one runs, and no opening before all are done', () => {
    const [window, ...rest] = running([10, 'first']);
    expect([window?.opens, window?.closes, rest]).toEqual([null, at(610), []]);
    expect([at(11), at(609), at(611)].map((now) => windowState(window!, now))).toEqual(['before', 'before', 'passed']);
  });
  it('opens with the last and closes with the first', () =>
    expect(running([10, 'first'], [200, 'last'])).toMatchObject([{ opens: at(230), closes: at(610) }]));
  it('without any end says nothing until all are done', () => {
    const open = [step('first'), step('last'), step('pull', [pull('first', 60, null), pull('last', 30, null)])];
    expect(progressOf(open, [event(0, 'start'), event(1, 'done', 'first')]).running).toEqual([]);
  });
});

describe('a frozen plan of version 1', () => {
  const old = {
    format: 'lintrel-plan' as const,
    version: 1,
    safety: ['Moving air.'],
    steps: [
      { id: 's1-r1', stage: 1, kind: 'lay', title: 'V6 above L1', detail: '1 m off the roll.', run: 'R1', windows: [] },
      { id: 's1-coat-1', stage: 1, kind: 'coat', title: 'Cream: coat 1 of 2', detail: 'Thin.', run: null, windows: [] },
      {
        id: 's1-coat-2',
        stage: 1,
        kind: 'coat',
        title: 'Cream: coat 2 of 2',
        detail: 'Thin.',
        run: null,
        windows: [{ after: 's1-coat-1', fromMin: 15, toMin: 720, what: 'next coat' }],
      },
      {
        id: 's1-pull',
        stage: 1,
        kind: 'pull',
        title: 'Pull',
        detail: 'Low.',
        run: null,
        windows: [{ after: 's1-coat-2', fromMin: 0, toMin: 30, what: 'pull the tape' }],
      },
      {
        id: 's2-coat-1',
        stage: 2,
        kind: 'coat',
        title: 'Green',
        detail: '',
        run: null,
        windows: [{ after: 's1-coat-2', fromMin: 5, toMin: null, what: 'the coat below takes the next' }],
      },
    ],
  };
  it('is worked by as before: same steps, same windows, same words', () => {
    const { steps, safety } = readWorkSheet(old);
    expect(safety).toEqual(['Moving air.']);
    expect(steps.map(({ id, say: { values } }) => [id, values.title])).toEqual(
      old.steps.map(({ id, title }) => [id, title]),
    );
    expect(steps.flatMap(({ after }) => after.map(({ code, minMin, maxMin }) => [code, minMin, maxMin]))).toEqual([
      ['recoat', 15, 720],
      ['pull', 0, 30],
      ['over', 5, null],
    ]);
    const { running, next } = progressOf(steps, [
      event(0, 'start'),
      event(1, 'done', 's1-r1'),
      event(2, 'done', 's1-coat-1'),
    ]);
    expect(next?.id).toBe('s1-coat-2');
    expect(running).toMatchObject([{ step: 's1-coat-2', opens: at(17), closes: at(722) }]);
  });
  it('of version 2 is read as it is', () =>
    expect(readWorkSheet({ format: 'lintrel-plan', version: 2, steps: STEPS })).toEqual({ steps: STEPS, safety: [] }));
});

it('a log read in pieces, each kept as plain data, comes to what it comes to as a whole', () => {
  const anyEvent = fc
    .record({
      minute: fc.integer({ min: 0, max: 500 }),
      kind: fc.constantFrom<LogEvent['kind']>('start', 'done', 'undo', 'note', 'trouble', 'finish', 'touch'),
      stepId: fc.constantFrom('one', 'two', 'three', 'other', null),
      sheet: fc.constantFrom(undefined, 1, 2),
      heat: fc.boolean(),
    })
    .map(({ minute, kind, stepId, sheet, heat }): LogEvent => ({
      ...event(minute, kind, stepId),
      ...(sheet === undefined ? {} : { sheet }),
      ...(heat ? { saw: { kind: 'heat', how: 'sun', filmC: 40, minutes: 10 } } : {}),
    }));
  fc.assert(
    fc.property(fc.array(anyEvent, { maxLength: 30 }), fc.array(fc.nat(30), { maxLength: 4 }), (events, cuts) => {
      const places = [0, ...cuts.map((cut) => Math.min(cut, events.length)).sort((a, b) => a - b), events.length];
      const pieces = places.slice(1).map((to, index) => events.slice(places[index], to));
      const state = pieces.reduce(
        (before, piece) => JSON.parse(JSON.stringify(logAfter(before, piece, 2))) as typeof before,
        EMPTY_LOG,
      );
      expect(progressFrom(STEPS, state)).toEqual(progressOf(STEPS, events, 2));
    }),
  );
});
