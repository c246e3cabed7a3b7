import { ticksIn, tickStep } from './clock/ticks';
import { clockTime, countdown } from './words';

it.each([
  [0, '0:00'],
  [-5000, '0:00'],
  [65_000, '1:05'],
  [3_599_000, '59:59'],
  [3_600_000, '1 h 00'],
  [41_760_000, '11 h 36'],
  [200_000_000, '2 d 7 h'],
])('counts %d ms down as %s', (ms, text) => expect(countdown(ms)).toBe(text));

it('names the day of a time only when it is not today', () => {
  const now = new Date(2026, 4, 19, 12, 0).getTime();
  expect(clockTime(now + 3_600_000, now)).toBe(
    new Date(now + 3_600_000).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' }),
  );
  expect(clockTime(now + 86_400_000, now)).toMatch(/^[A-Za-z]{3} /);
  expect(clockTime(now - 31 * 86_400_000, now)).toMatch(/18/);
});

it('marks a rail in round steps, with no label cut off at its end', () => {
  expect([tickStep(75, 5), tickStep(1440, 5), tickStep(1e9, 5)]).toEqual([15, 480, 43_200]);
  expect(ticksIn(0, 60, 15)).toEqual([0, 15, 30, 45]);
  expect(ticksIn(7, 32, 10)).toEqual([10, 20]);
});
