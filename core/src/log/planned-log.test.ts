import type { StepId } from '../kit';
import type { Step } from '../runsheet';
import { logAsPlanned } from './planned-log';
import { progressOf } from './progress';

const step = (id: string, startMin: number, endMin: number, attended = true): Step => ({
  id: id as StepId,
  stage: 1,
  kind: attended ? 'coat' : 'flash',
  items: [],
  startMin,
  endMin,
  attended,
  needs: [],
  after: [],
  say: { code: 'step.flash', values: {} },
  safety: [],
});
const steps = [
  step('a', 0, 10),
  step('b', 10, 30),
  step('drying', 30, 90, false),
  step('c', 90, 95),
  step('d', 95, 99),
];
const ids = () => {
  let next = 0;
  return () => `id-${next++}`;
};

it('a log as planned has the start and every step a person does, each when it was planned', () => {
  const doneAt = Date.parse('2026-05-19T12:00:00.000Z');
  const log = logAsPlanned(steps, steps[3]!, doneAt, ids());
  expect(log.map(({ kind, step: of, at }) => [kind, of, (Date.parse(at) - doneAt) / 60_000])).toEqual([
    ['start', null, -95],
    ['done', 'a', -85],
    ['done', 'b', -65],
    ['done', 'c', 0],
  ]);
  const { next, startedAt, doneAt: done } = progressOf(steps, log);
  expect([next?.id, startedAt, done.size]).toEqual(['d', doneAt - 95 * 60_000, 3]);
});
