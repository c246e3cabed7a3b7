import type { StepId } from '../kit';
import type { LogEvent } from '../log';
import { type Step, workSort } from '../runsheet';
import { expectedMinutes, minutesInLog, personSpeeds } from './step-minutes';

const step = (id: string, startMin: number, endMin: number, more: Partial<Step> = {}): Step => ({
  id: id as StepId,
  stage: 1,
  kind: 'lay',
  items: [],
  startMin,
  endMin,
  attended: true,
  needs: ['person'],
  after: [],
  say: { code: 'step.lay', values: { technique: { code: 'technique.sighted', values: {} } } },
  safety: [],
  ...more,
});
let count = 0;
const entry = (kind: string, id: string | null, atMin: number, person?: string): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  version: 4,
  at: new Date(atMin * 60_000).toISOString(),
  kind,
  step: id as StepId | null,
  note: '',
  ...(person ? { person } : {}),
});
const steps = [
  step('a', 0, 10),
  step('b', 10, 20, {
    say: { code: 'step.lay', values: { technique: { code: 'technique.steer', values: {} }, more: [] } },
  }),
  step('wait', 20, 80, { kind: 'wait', attended: false }),
  step('c', 80, 90, { kind: 'cover', say: { code: 'step.cover', values: {} } }),
  step('d', 90, 100, { kind: 'cover', say: { code: 'step.cover', values: {} } }),
];

it('tells sorts of work: tape by how it is laid', () => {
  expect(steps.map(workSort)).toEqual(['lay-straight', 'lay-curve', null, 'cover', 'cover']);
  const bent = {
    code: 'step.lay',
    values: { technique: { code: 'technique.sighted', values: {} }, more: [{ code: 'technique.stretch', values: {} }] },
  };
  expect(workSort({ kind: 'lay', say: bent })).toBe('lay-curve');
  expect(workSort({ kind: 'lay', say: { code: 'step.rim', values: {} } })).toBe('lay-rim');
});
it('counts a step from the one before it, of the same hand, with no wait in between', () => {
  const log = [
    entry('start', null, 0, 'Ana'),
    entry('done', 'a', 12, 'Ana'),
    entry('done', 'b', 27, 'Ana'),
    entry('done', 'c', 200, 'Ana'),
    entry('done', 'd', 212, 'Ana'),
  ];
  expect(minutesInLog(steps, log)).toMatchObject([
    { person: 'Ana', sort: 'lay-curve', plannedMin: 10, realMin: 15 },
    { person: 'Ana', sort: 'cover', plannedMin: 10, realMin: 12 },
  ]);
  const twoHands = [...log.slice(0, 2), entry('done', 'b', 27, 'Bo'), ...log.slice(3)];
  expect(minutesInLog(steps, twoHands).map(({ sort }) => sort)).toEqual(['cover']);
});
it('leaves out what went wrong, was taken back, or was done out of turn, and what came before a new start', () => {
  const went = [entry('start', null, 0), entry('done', 'a', 10)];
  expect(minutesInLog(steps, [...went, entry('trouble', 'b', 15), entry('done', 'b', 27)])).toEqual([]);
  expect(minutesInLog(steps, [...went, entry('done', 'b', 27), entry('undo', 'b', 28)])).toEqual([]);
  expect(minutesInLog(steps, [...went, entry('done', 'd', 27)])).toEqual([]);
  expect(minutesInLog(steps, [...went, entry('done', 'b', 27), entry('start', null, 30)])).toEqual([]);
  expect(minutesInLog(steps, [...went, { ...entry('done', 'b', 27), sheet: 4 }], 5)).toEqual([]);
});
it('learns speeds of everybody and of each; minutes follow them at once', () => {
  const seen = (person: string | null, realMin: number) => ({
    person,
    sort: 'cover' as const,
    plannedMin: 10,
    realMin,
    atMs: 0,
  });
  const speeds = personSpeeds([
    ...Array.from({ length: 20 }, () => seen('Ana', 20)),
    ...Array.from({ length: 20 }, () => seen('Bo', 5)),
  ]);
  const of = (person: string | null) => speeds.find((speed) => speed.person === person)!;
  expect(speeds).toHaveLength(3);
  expect(of('Ana').factor).toBeGreaterThan(1.9);
  expect(of('Bo').factor).toBeLessThan(0.55);
  expect(of(null)).toMatchObject({ count: 40 });
  expect(of(null).factor).toBeCloseTo(1, 6);
  const cover = steps[3]!;
  expect(expectedMinutes(cover, speeds, 'Ana')).toBeCloseTo(10 * of('Ana').factor, 9);
  expect(expectedMinutes(cover, speeds, 'Cleo')).toBeCloseTo(10 * of(null).factor, 9);
  expect(expectedMinutes(steps[0]!, speeds)).toBe(10);
  expect(personSpeeds([])).toEqual([]);
});
