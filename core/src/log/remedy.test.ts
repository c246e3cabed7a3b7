import type { StepId } from '../kit';
import type { Step } from '../runsheet';
import { stepFor } from '../testing/steps';
import type { LogEvent } from './event';
import { progressOf, type RunningWindow } from './progress';
import { currentStep, scuffId, stepOfEntry } from './remedy';
import { currentWindow, decidingWindow } from './windows';

const MINUTE = 60_000;
const step = (id: string, more: Partial<Step> = {}) =>
  stepFor(id, 'coat', { say: { code: 'step.coat', values: { masked: true } }, ...more });
const after = (more: object = {}) => [
  { step: 'one' as StepId, from: 'end' as const, minMin: 10, maxMin: 60, code: 'recoat', ...more },
];
let count = 0;
const done = (id: string, atMin: number): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  version: 4,
  at: new Date(atMin * MINUTE).toISOString(),
  kind: id === '' ? 'start' : 'done',
  step: id === '' ? null : (id as StepId),
  note: '',
});
const run = (second: Step, ...log: readonly LogEvent[]) =>
  progressOf([step('one'), second, step('pull', { kind: 'pull' })], [done('', 0), done('one', 100), ...log]);

it('a coat whose limit has passed is scuffed for first, once, and then has no limit', () => {
  const coat = step('two', { after: after() });
  const before = run(coat);
  expect(currentStep(before, [], 159 * MINUTE)?.id).toBe('two');
  const late = currentStep(before, [], 161 * MINUTE)!;
  expect(late).toMatchObject({
    id: 'scuff-two',
    kind: 'abrade',
    attended: true,
    say: { code: 'step.scuff', values: { coat: coat.say, masked: true } },
  });
  const scuffed = run(coat, done(late.id, 180));
  expect(currentStep(scuffed, [], 200 * MINUTE)?.id).toBe('two');
  expect(scuffed.running).toMatchObject([{ step: 'two', opens: 110 * MINUTE, closes: null }]);
  expect(stepOfEntry([coat], late.id)).toEqual(late);
  expect(stepOfEntry([coat], 'two')).toBe(coat);
  expect(stepOfEntry([coat], 'three')).toBeUndefined();
});
it('a film with a second window is left alone between the two: nothing goes on, scuffed or not', () => {
  const coat = step('two', { after: after({ againMin: 2880 }) });
  const progress = run(coat);
  expect(currentStep(progress, [], 200 * MINUTE)?.id).toBe('two');
  const [window] = progress.running;
  expect(currentWindow(window!, 150 * MINUTE)).toMatchObject({ opens: 110 * MINUTE, closes: 160 * MINUTE });
  expect(currentWindow(window!, 161 * MINUTE)).toMatchObject({ opens: 2980 * MINUTE, closes: null });
});
it('a second window counts where all that close have one', () => {
  const two = step('two', { after: [...after({ againMin: 2880 }), ...after({ step: 'other', maxMin: 90 })] });
  const steps = [step('one'), step('other'), two];
  const { running } = progressOf(steps, [done('', 0), done('one', 100), done('other', 105)]);
  expect(running[0]).toMatchObject({ opens: 115 * MINUTE, closes: 160 * MINUTE });
  expect(running[0]!.again ?? null).toBeNull();
});
it('a pull that is late stays what it is', () => {
  const pull = step('two', { kind: 'pull', after: after({ code: 'pull' }) });
  expect(currentStep(run(pull), [], 900 * MINUTE)?.id).toBe('two');
  expect(scuffId('a' as StepId)).not.toBe(scuffId('b' as StepId));
});
it('paint that has gone off is mixed anew before its coat, and counts from then; a second time as well', () => {
  const mix = step('one', { kind: 'mix', say: { code: 'step.mix', values: { finish: 'red', ml: 100 } } });
  const coat = step('two', { after: after({ minMin: 0, maxMin: 20, code: 'pot' }) });
  const steps = [mix, coat];
  const first = progressOf(steps, [done('', 0), done('one', 100)]);
  // Of two coats from one mix the next tells how long it is good.
  const other = step('three', { after: [...after({ minMin: 0, maxMin: 20, code: 'pot' }), ...after({ step: 'two' })] });
  expect(progressOf([...steps, other], [done('', 0), done('one', 100)]).running).toMatchObject([
    { step: 'two', code: 'pot' },
  ]);
  expect(currentStep(first, steps, 119 * MINUTE)?.id).toBe('two');
  const again = currentStep(first, steps, 121 * MINUTE)!;
  expect(again).toMatchObject({
    id: 'remix-one',
    kind: 'mix',
    after: [],
    say: { code: 'step.remix', values: mix.say.values },
  });
  expect(stepOfEntry(steps, again.id)).toEqual(again);
  const mixed = progressOf(steps, [done('', 0), done('one', 100), done(again.id, 130)]);
  expect(mixed.running).toMatchObject([{ step: 'two', code: 'pot', opens: 130 * MINUTE, closes: 150 * MINUTE }]);
  expect(currentStep(mixed, steps, 140 * MINUTE)?.id).toBe('two');
  expect(currentStep(mixed, steps, 151 * MINUTE)?.id).toBe('remix-one');
  const twice = progressOf(steps, [done('', 0), done('one', 100), done(again.id, 130), done(again.id, 160)]);
  expect(currentStep(twice, steps, 179 * MINUTE)?.id).toBe('two');
});
it('of several windows of a step the one that decides is told', () => {
  const window = (code: string, opens: number | null, closes: number | null) => ({ code, opens, closes });
  const [recoat, pot] = [window('recoat', 30, null), window('pot', 10, 60)];
  expect(decidingWindow([pot, recoat], 20)).toBe(recoat);
  expect(decidingWindow([recoat, pot], 40)).toBe(pot);
  expect(decidingWindow([recoat, pot], 61)).toBe(pot);
  expect(decidingWindow([recoat, window('pull', null, 90)], 20)).toMatchObject({ code: 'pull' });
  expect(decidingWindow([], 0)).toBeNull();
});
it('windows that do not close stay as they are', () => {
  const open: RunningWindow = { step: 's', say: { code: 'x', values: {} }, code: 'recoat', opens: 5, closes: null };
  expect(currentWindow(open, 99)).toBe(open);
});
