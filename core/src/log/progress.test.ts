import { progressOf, windowState, type LogEvent, type Step } from '.';

const step = (id: string, windows: Step['windows'] = []): Step => ({ id, stage: 1, kind: 'coat', title: id, detail: '', run: null, windows });
const STEPS = [
  step('one'),
  step('two', [{ after: 'one', fromMin: 10, toMin: 60, what: 'next coat' }]),
  step('three', [{ after: 'two', fromMin: 0, toMin: null, what: 'pull' }]),
];
let count = 0;
const event = (minute: number, kind: LogEvent['kind'], stepId: string | null = null): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  at: new Date(Date.UTC(2026, 4, 4, 8, minute)).toISOString(),
  kind,
  step: stepId,
  note: '',
});
const at = (minute: number) => Date.UTC(2026, 4, 4, 8, minute);

it('runs no window before the start', () => expect(progressOf(STEPS, [])).toMatchObject({ startedAt: null, running: [], next: STEPS[0] }));

it('opens and closes a window by the clock from the step it waits for', () => {
  const { running, next } = progressOf(STEPS, [event(0, 'start'), event(5, 'done', 'one')]);
  expect(next?.id).toBe('two');
  expect(running).toEqual([{ step: 'two', title: 'two', what: 'next coat', opens: at(15), closes: at(65) }]);
  expect([at(14), at(15), at(65), at(66)].map((now) => windowState(running[0], now))).toEqual(['before', 'open', 'open', 'passed']);
  expect(windowState({ opens: at(0), closes: null }, at(9999))).toBe('open');
});

it('takes a step back when a later entry says so, whatever order entries arrive in', () => {
  const events = [event(9, 'undo', 'one'), event(0, 'start'), event(5, 'done', 'one')];
  expect(progressOf(STEPS, events).next?.id).toBe('one');
  expect(progressOf(STEPS, [...events, event(12, 'done', 'one')]).doneAt.get('one')).toBe(at(12));
});

it('begins anew with a later start, and ends with the job', () => {
  const events = [event(0, 'start'), event(5, 'done', 'one'), event(20, 'start')];
  expect(progressOf(STEPS, events).doneAt.size).toBe(0);
  const finished = progressOf(STEPS, [...events, event(30, 'finish')]);
  expect(finished).toMatchObject({ finishedAt: at(30), next: null, running: [] });
});

it('goes by no entry for a step that is not on the sheet', () =>
  expect(progressOf(STEPS, [event(0, 'start'), event(1, 'done', 'unknown')]).next?.id).toBe('one'));
