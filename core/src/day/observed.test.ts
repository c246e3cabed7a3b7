import type { StepId } from '../kit';
import { learnedFactorFrom } from '../learning';
import type { LogEvent, Observed } from '../log';
import type { Step } from '../runsheet';
import { observationsIn, type ObservedSheet } from './observed';

const windows = {
  rate: 1,
  flashMin: 12,
  touchMin: 45,
  tapeSafeMin: 1440,
  throughMin: 1440,
  wet: { from: 0, to: 9 },
  touch: { from: 45, to: 135 },
  dry: { from: 1440, to: 4320 },
};
const step = (id: string, kind: Step['kind'], stage = 1): Step =>
  ({
    id,
    kind,
    stage,
    items: [],
    startMin: 0,
    endMin: 1,
    attended: true,
    needs: ['person'],
    after: [],
    say: { code: 'x', values: {} },
    safety: [],
  }) as unknown as Step;
const sheet: ObservedSheet = {
  sheet: 1,
  steps: [step('coat1', 'coat'), step('coat2', 'coat'), step('pull', 'pull')],
  stages: [{ number: 1, finish: 'red', school: 'touch', windows }],
};
const event = (minutes: number, of: string, kind: LogEvent['kind'], saw?: Observed, on = 1): LogEvent => ({
  id: `${minutes}`,
  version: 3,
  at: new Date(minutes * 60_000).toISOString(),
  kind,
  step: of as StepId,
  note: '',
  sheet: on,
  ...(saw ? { saw } : {}),
});

it('counts from the last coat that was on by then', () => {
  const seen = observationsIn(sheet, [
    event(0, 'coat1', 'done'),
    event(20, 'coat1', 'touch', { kind: 'feel', feel: 'tacky' }),
    event(30, 'coat2', 'done'),
    event(80, 'coat2', 'touch', { kind: 'feel', feel: 'marks' }),
    event(100, 'pull', 'done'),
    event(101, 'pull', 'note', { kind: 'pull', result: 'clean' }),
  ]);
  expect(seen.map(({ finish, observation: { passedMin, saw } }) => [finish, passedMin, saw.kind])).toEqual([
    ['red', 20, 'feel'],
    ['red', 50, 'feel'],
    ['red', 71, 'pull'],
  ]);
  expect(seen[2]!.observation.saw).toEqual({ kind: 'pull', school: 'touch', result: 'clean' });
});

it('hears nothing of other sheets, of coats that were taken back, or of a stage without windows', () => {
  const touch: Observed = { kind: 'feel', feel: 'dry' };
  expect(observationsIn(sheet, [event(0, 'coat1', 'done'), event(50, 'coat1', 'touch', touch, 2)])).toEqual([]);
  expect(
    observationsIn(sheet, [event(0, 'coat1', 'done'), event(1, 'coat1', 'undo'), event(50, 'coat1', 'touch', touch)]),
  ).toEqual([]);
  expect(
    observationsIn({ ...sheet, stages: [{ ...sheet.stages[0]!, windows: null }] }, [
      event(0, 'coat1', 'done'),
      event(50, 'coat1', 'touch', touch),
    ]),
  ).toEqual([]);
});

it('takes out what was learned before, so that the same film tells the same', () => {
  const slow = { ...windows, touchMin: 90, wet: { from: 0, to: 18 }, throughMin: 2880, touch: { from: 90, to: 270 } };
  const events = [event(0, 'coat1', 'done'), event(70, 'coat1', 'touch', { kind: 'feel', feel: 'tacky' })];
  const plain = learnedFactorFrom(observationsIn(sheet, events).map(({ observation }) => observation));
  const twice = observationsIn(
    { ...sheet, stages: [{ ...sheet.stages[0]!, windows: slow }], learned: [{ finish: 'red', factor: 2 }] },
    events,
  );
  expect(learnedFactorFrom(twice.map(({ observation }) => observation))).toEqual(plain);
});
