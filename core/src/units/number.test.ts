import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { bisect } from '../kit';
import { numberOrNaN, readNumber } from './number';

describe('a typed number', () => {
  it.each([
    ['12', 12],
    [' -0.5 ', -0.5],
    ['−3', -3],
    ['+4', 4],
    ['.5', 0.5],
    ['7.', 7],
    ['1e3', 1000],
    ['30 °', 30],
  ])('%j is %d', (text, value) => expect(readNumber(text)).toEqual({ ok: true, value }));
  it.each(['12 mm', '0x10', 'Infinity', '1e999', 'two', '--1'])('%j is refused with what was typed', (text) => {
    expect(readNumber(text)).toEqual({ ok: false, why: { code: 'typed.number', values: { text } } });
    expect(numberOrNaN(text)).toBeNaN();
  });
  it('nothing is no 0', () =>
    expect(readNumber('  ')).toEqual({ ok: false, why: { code: 'typed.number-missing', values: {} } }));
  it('as it is written it is read back', () => {
    fc.assert(
      fc.property(
        fc.double({ noNaN: true, noDefaultInfinity: true }),
        (value) => Math.abs(numberOrNaN(String(value)) - value) === 0,
      ),
    );
  });
});

it('halving finds where a condition stops to hold', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      (edge) => Math.abs(bisect(0, 1, 50, (at) => at < edge) - edge) < 1e-12,
    ),
    { numRuns: depth(33, 200) },
  );
});
