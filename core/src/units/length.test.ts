import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { readLength, showArea, showBoth, showLength } from './length';

const { say } = wordsFor();

const read = (text: string, context = {}) => {
  const reading = readLength(text, context);
  return reading.ok ? reading.value : say(reading.why);
};

describe('readLength', () => {
  it.each([
    ['18', 18],
    ['18mm', 18],
    ['1.2 m', 1200],
    ['3 1/2"', 88.9],
    ['3-1/2"', 88.9],
    ['3.5 in', 88.9],
    ['7/16', 11.1125],
    [`1' 6"`, 457.2],
    ['2 ft', 609.6],
    ['.5 cm', 5],
    ['-12.5', -12.5],
    ['− 4 mm', -4],
    ['1e3', 1000],
  ])('understands %s', (text, mm) => expect(read(text)).toBeCloseTo(mm as number, 9));

  it.each([
    '',
    '  ',
    'abc',
    '1,500',
    '3 4',
    '1/0',
    '5 5/8 7/8',
    '12 mm mm',
    '1.5 1/2"',
    '6" 1\'',
    'NaN',
    'Infinity',
    '1e400',
    '<b>',
    "'; DROP TABLE jobs",
  ])('refuses %j with a sentence', (text) => {
    const reading = readLength(text);
    expect(reading.ok).toBe(false);
    expect(!reading.ok && say(reading.why).length).toBeGreaterThan(20);
  });

  it('takes a bare number in the unit of the job, but a bare fraction always in inches', () => {
    expect(read('2', { bare: 'in' })).toBeCloseTo(50.8);
    expect(read('1/2', { bare: 'mm' })).toBeCloseTo(12.7);
  });

  it('understands real sizes only at scale', () => {
    expect(read('600 mm real', { scale: 48 })).toBeCloseTo(12.5);
    expect(read('600 mm real')).toMatch(/scale/);
  });

  it('reads back any millimetres it is given', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30_000, max: 30_000, noNaN: true }),
        (mm) => Math.abs((read(mm.toFixed(6)) as number) - mm) < 1e-6,
      ),
    );
  });

  it('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof readLength(text).ok === 'boolean'));
  });
});

describe('showLength', () => {
  it.each([
    [4.1666, 'mm', '4.17 mm'],
    [38.516, 'mm', '38.5 mm'],
    [4143.2, 'mm', '4143 mm'],
    [88.9, 'in', '3 1/2"'],
    [11.1125, 'in', '7/16"'],
    [25.4, 'in', '1"'],
    [0, 'in', '0"'],
    [-12.7, 'in', '-1/2"'],
  ] as const)('writes %d mm in %s as %s', (mm, unit, text) => expect(showLength(mm, unit)).toBe(text));

  it('is read back within a 128th of an inch', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5000, noNaN: true }), (mm) => {
        const back = readLength(showLength(mm, 'in'));
        return back.ok && Math.abs(back.value - mm) <= 25.4 / 128 + 1e-9;
      }),
    );
  });
});

it.each([
  [62.5, 'mm', 96, '62.5 mm (real 6 m)'],
  [4, 'mm', 72, '4 mm (real 288 mm)'],
  [25.4, 'in', 48, '1" (real 48")'],
  [120, 'mm', 1, '120 mm'],
] as const)('writes %d mm in %s at 1:%d as %s', (mm, unit, scale, text) =>
  expect(showBoth(mm, unit, scale)).toBe(text),
);

it('writes sizes in the units of the job', () => {
  expect(showArea(0.05)).toBe('0.0500 m²');
  expect(showArea(0.64516, 'in')).toBe('6.9 ft²');
  expect(showArea(0.064516, 'in')).toBe('100.0 in²');
});
