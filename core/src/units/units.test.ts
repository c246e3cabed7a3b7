import { roundNumbers } from '../kit';
import { readHumidity } from './humidity';
import { showMinutes } from './minutes';
import { readTemperature } from './temperature';

const valueOf = (reading: { ok: boolean; value?: number }) => (reading.ok ? reading.value : undefined);

it.each([
  ['23', 23],
  ['-5 °C', -5],
  ['73.4 F', 23],
  ['32°f', 0],
])('reads the temperature %s', (text, degrees) => expect(valueOf(readTemperature(text))).toBeCloseTo(degrees));
it.each(['warm', '', '23 K', '1,500'])('refuses the temperature %j', (text) =>
  expect(readTemperature(text).ok).toBe(false),
);

it.each([
  ['50', 50],
  ['50 %', 50],
  ['0.5', 50],
  ['100', 100],
])('reads the humidity %s', (text, percent) => expect(valueOf(readHumidity(text))).toBeCloseTo(percent));
it.each(['0', '101', '1', '-5', 'wet'])('refuses the humidity %j', (text) => expect(readHumidity(text).ok).toBe(false));

it.each([
  [0, '0 min'],
  [0.5, '30 s'],
  [59.4, '59 min'],
  [60, '1 h'],
  [185, '3 h 05 min'],
  [3120, '2 d 4 h'],
  [-10, '−10 min'],
])('writes %d minutes as %s', (minutes, text) => expect(showMinutes(minutes)).toBe(text));

it('rounds every number of a plan and leaves the rest', () => {
  expect(roundNumbers({ a: [1.00000049, -1e-9], b: 'x', c: null, d: Infinity, e: true })).toEqual({
    a: [1, 0],
    b: 'x',
    c: null,
    d: null,
    e: true,
  });
});
