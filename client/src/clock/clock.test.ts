import type { JobSummary } from '@lintrel/core/front';
import { alarmsAt, DEFAULT_ALARM, isQuiet } from './alarms';
import { clockOf, hoursOf, readClock, readHours } from './dayTime';

const MINUTE = 60_000;
const job = (opens: number | null, closes: number | null): JobSummary =>
  ({
    id: 'j',
    title: 'Juniper',
    windows: [{ step: 's', say: { code: 'step.gun-clean', values: {} }, code: 'pull', opens, closes }],
  }) as unknown as JobSummary;

describe('what is told', () => {
  const kinds = (now: number, opens: number | null, closes: number | null, told: readonly string[] = []) =>
    alarmsAt([job(opens, closes)], now, new Set(told)).map(({ kind }) => kind);
  it('is that a window has opened, closes soon, has closed; each once', () => {
    const [opens, closes] = [100 * MINUTE, 200 * MINUTE];
    expect(kinds(99 * MINUTE, opens, closes)).toEqual([]);
    const [opened] = alarmsAt([job(opens, closes)], opens, new Set());
    expect(opened).toMatchObject({ kind: 'open' });
    expect(alarmsAt([job(opens, closes)], opens + MINUTE, new Set([opened!.key]))).toEqual([]);
    expect(kinds(closes - 9 * MINUTE, opens, closes)).toEqual(['closing']);
    expect(kinds(closes + MINUTE, opens, closes)).toEqual(['passed']);
  });
  it('is told of a short window in its last fifth', () => {
    expect(kinds(107 * MINUTE, 100 * MINUTE, 110 * MINUTE)).toEqual(['open']);
    expect(kinds(108.5 * MINUTE, 100 * MINUTE, 110 * MINUTE)).toEqual(['closing']);
  });
  it('is what is so when a page wakes, not what it slept through', () => {
    expect(kinds(500 * MINUTE, 100 * MINUTE, 200 * MINUTE)).toEqual([]);
    expect(kinds(300 * MINUTE, 100 * MINUTE, null)).toEqual([]);
    expect(kinds(150 * MINUTE, null, 400 * MINUTE)).toEqual([]);
  });
});

it('is quiet over midnight, or never', () => {
  expect([1259, 1260, 0, 359, 360].map((at) => isQuiet(DEFAULT_ALARM, at))).toEqual([false, true, true, true, false]);
  expect(isQuiet({ on: true, quietFromMin: 0, quietToMin: 0 }, 30)).toBe(false);
  expect(isQuiet({ on: true, quietFromMin: 600, quietToMin: 660 }, 630)).toBe(true);
});

it('reads hours as they are typed', () => {
  expect(['7', '7:30', '0730', '7.30', '24:00', '24:01', '7:60', 'noon', ''].map(readClock)).toEqual([
    420,
    450,
    450,
    450,
    1440,
    null,
    null,
    null,
    null,
  ]);
  expect([0, 450, 1440].map(clockOf)).toEqual(['00:00', '07:30', '24:00']);
});

it('reads hours of a day, and none', () => {
  expect(readHours('7-19')).toEqual({ fromMin: 420, toMin: 1140 });
  expect(readHours(' 7:30 to 16 ')).toEqual({ fromMin: 450, toMin: 960 });
  expect(readHours('')).toBeNull();
  for (const wrong of ['19-7', '7', '7-8-9', 'x-9', '7-25']) expect(readHours(wrong)).toBeUndefined();
  expect(hoursOf(readHours('7:30-16')!)).toBe('07:30-16:00');
  expect(hoursOf(null)).toBe('');
});
