import fc from 'fast-check';
import { decimalPointOf } from './decimal-comma';
import { readHumidity } from './humidity';
import { readLength } from './length';
import { readNumber } from './number';
import { readTemperature } from './temperature';

it.each([
  ['1,5', 1.5],
  ['0,5', 0.5],
  [',5', 0.5],
  ['12,25', 12.25],
  ['0,500', 0.5],
  ['1,2345', 1.2345],
  ['-1,5', -1.5],
  ['1.5', 1.5],
])('%s is %d', (text, value) => expect(readNumber(text)).toEqual({ ok: true, value }));

it.each([
  ['1,5 m', 1500],
  ['2,5', 2.5],
  ['1,5"', 38.1],
  ['0,5 cm', 5],
])('a length of %s is %d mm', (text, value) => {
  const read = readLength(text);
  expect(read.ok && read.value).toBeCloseTo(value, 9);
});
it('so are temperatures and humidities', () => {
  expect(readTemperature('21,5')).toEqual({ ok: true, value: 21.5 });
  expect(readHumidity('48,5 %')).toEqual({ ok: true, value: 48.5 });
});

it('before exactly three digits both readings are offered', () => {
  const why = { code: 'typed.comma', values: { text: '1,500', decimal: '1.500', thousands: '1500' } };
  for (const read of [readNumber, readLength, readTemperature, readHumidity])
    expect(read('1,500')).toEqual({ ok: false, why });
  expect(readLength('12,345 mm')).toMatchObject({
    ok: false,
    why: { code: 'typed.comma', values: { decimal: '12.345', thousands: '12345' } },
  });
});
it.each(['1,234,567', '1.234,5', '1,234.5'])('%s is refused', (text) => {
  for (const read of [readNumber, readLength])
    expect(read(text)).toMatchObject({ ok: false, why: { code: 'typed.commas' } });
});
it('a comma that is no part of a number is left alone', () =>
  expect(decimalPointOf('a, b')).toEqual({ ok: true, value: 'a, b' }));

it('every number of one, two or more than three decimals is read alike with a comma and a point', () => {
  fc.assert(
    fc.property(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: 0, max: 99_999 }), (whole, digits) => {
      const decimals = String(digits);
      fc.pre(decimals.length !== 3);
      expect(readNumber(`${whole},${decimals}`)).toEqual(readNumber(`${whole}.${decimals}`));
    }),
  );
});
