import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { PAINT_SYSTEM_KEYS } from '../finish';
import type { Message } from '../kit';
import { answer, faults } from '../testing/ask';

const { say } = wordsFor();

describe('hide', () => {
  it.each([
    ['#f2c230', '#7a4a2b', 60, 15, 7],
    ['#f2c230', '#ffffff', 60, 15, 6],
    ['#1c1f24', '#ffffff', 25, 15, 2],
    ['#b3242b', '#ffffff', 50, 15, 3],
    ['#f5f3ea', '#20504f', 70, 20, 4],
    ['#20504f', '#f5f3ea', 30, 20, 2],
  ])('%s over %s takes the worked number of coats', (paint, under, hiding, coat, coats) => {
    expect(answer('hide', { paint, under, hiding, coat, tolerance: 1 })).toMatchObject({ coats });
  });
  it('answers the strength of the worked yellow and red', () => {
    expect(
      answer('hide', { paint: '#f2c230', under: '#ffffff', hiding: 60, coat: 15, tolerance: 1 }).scatterPerUm,
    ).toBeCloseTo(0.08577, 5);
    expect(answer('hide', { paint: 'b3242b', under: '#ffffff', hiding: 50, coat: 15 }).scatterPerUm).toBeCloseTo(
      0.04892,
      5,
    );
  });
  it('says null where more than 20 coats would be needed, and draws no more than 20', () => {
    const { coats, ladder } = answer('hide', { paint: '#f2c230', under: '#000000', hiding: 600, coat: 5 }) as {
      coats: null;
      ladder: unknown[];
    };
    expect([coats, ladder.length]).toEqual([null, 20]);
  });
  it('refuses what is no colour', () =>
    expect(faults('hide', { paint: 'mauve', under: '#fff', hiding: 60, coat: 15 }).join('\n')).toMatch(
      /^paint: "mauve" is not a colour[^]*under: "#fff" is not a colour/m,
    ));
});

describe('mix', () => {
  const given = { area: 0.8, film: 20, coats: 1, solids: 0.35, transfer: 0.45, ratio: '4:1:1' };
  it('answers the worked figure, split by the ratio', () => {
    const { ml, parts } = answer('mix', given) as { ml: number; parts: number[] };
    expect(ml).toBeCloseTo(101.587, 3);
    expect(parts).toEqual([expect.closeTo(ml * (4 / 6), 6), expect.closeTo(ml / 6, 6), expect.closeTo(ml / 6, 6)]);
  });
  it('grows with area, film and coats alike, and its parts add up', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }),
        (area, coats, ratio) => {
          const once = answer('mix', { ...given, area, ratio: ratio.join(':') }) as { ml: number; parts: number[] };
          const often = answer('mix', { ...given, area, coats, ratio: ratio.join(':') }) as { ml: number };
          const sum = once.parts.reduce((all, part) => all + part, 0);
          return (
            Math.abs(often.ml - coats * once.ml) < 1e-6 * often.ml + 1e-8 &&
            Math.abs(sum - once.ml) < 1e-6 * once.ml + 1e-7
          );
        },
      ),
    );
  });
  it.each([
    [{ ratio: '4:0:1' }, /^ratio: "4:0:1" is not a mixing ratio/],
    [{ ratio: 'four to one' }, /^ratio:/],
    [{ solids: 0 }, /^solids: must be above 0/],
    [{ transfer: '0%' }, /^transfer: must be above 0/],
    [{ coats: 1.5 }, /^coats: 1.5 is not whole/],
  ])('refuses %j', (bad, said) => expect(faults('mix', { ...given, ...bad }).join('\n')).toMatch(said));
});

describe('over', () => {
  const says = (lower: string, upper: string, ageMinutes: number) =>
    answer('over', { lower, upper, ageMinutes }) as { answer: string; untilMinutes?: number; reason: Message };
  const HOUR = 60;
  const DAY = 24 * HOUR;
  it.each([
    ['can-enamel', 'can-lacquer', 2 * DAY, 'no'],
    ['can-enamel', 'can-lacquer', 30 * DAY, 'abrade'],
    ['can-enamel', 'can-enamel', 30, 'yes'],
    ['can-enamel', 'can-enamel', 5 * HOUR, 'wait'],
    ['can-enamel', 'can-enamel', 50 * HOUR, 'yes'],
    ['two-part', 'two-part', 5 * HOUR, 'yes'],
    ['two-part', 'two-part', 13 * HOUR, 'abrade'],
    ['two-part', 'two-part', 30 * DAY, 'abrade'],
    ['air-lacquer', 'air-acrylic', 3 * DAY, 'yes'],
    ['air-acrylic', 'air-lacquer', 3 * DAY, 'barrier'],
    ['brush-enamel', 'dope', 60 * DAY, 'no'],
    ['antifouling', 'antifouling', 90 * DAY, 'barrier'],
    ['two-part', 'peelable', 2 * DAY, 'no'],
    ['base-solvent', 'clear-two-part', 20 * HOUR, 'yes'],
    ['base-solvent', 'clear-two-part', 25 * HOUR, 'abrade'],
    ['varnish', 'varnish', 2 * HOUR, 'no'],
    ['base-solvent', 'base-water', 4 * DAY, 'abrade'],
  ])('%s, then %s at %d min: the rule speaks', (lower, upper, age, expected) =>
    expect(says(lower, upper, age).answer).toBe(expected),
  );
  it('tells until when, and that age then gives a kinder answer', () => {
    for (const lower of PAINT_SYSTEM_KEYS) {
      for (const upper of PAINT_SYSTEM_KEYS) {
        for (const age of [1, 90, 1500, 20_000]) {
          const { answer: now, untilMinutes, reason } = says(lower, upper, age);
          expect(say(reason).length).toBeGreaterThan(10);
          if (untilMinutes === undefined) continue;
          expect(untilMinutes).toBeGreaterThan(age);
          expect([now, says(lower, upper, untilMinutes).answer]).not.toEqual([now, now]);
        }
      }
    }
  });
  it('a thicker film waits longer', () => {
    const at = (build: number) =>
      (
        answer('over', { lower: 'can-enamel', upper: 'can-enamel', ageMinutes: 5 * HOUR, build }) as {
          untilMinutes: number;
        }
      ).untilMinutes;
    expect(at(60)).toBeGreaterThan(at(30));
  });
});

describe('order', () => {
  const given = { first: '#f2c230', second: '#7a4a2b', third: '#1c1f24', under: '#ffffff', hiding: 50, coat: 15 };
  it('tells all six, the fewest coats first, and light before dark here', () => {
    const { orders } = answer('order', given) as { orders: { colours: string[]; coats: number[]; all: number }[] };
    expect(orders).toHaveLength(6);
    expect(orders.map(({ all }) => all)).toEqual(orders.map(({ all }) => all).sort((a, b) => a - b));
    expect(orders[0]!.colours[0]).toBe('#f2c230');
    expect(orders[0]!.all).toBeLessThan(orders[5]!.all);
  });
  it('counts as the single question does', () => {
    const { orders } = answer('order', given) as { orders: { colours: string[]; coats: number[] }[] };
    for (const { colours, coats } of orders) {
      colours.forEach((paint, index) => {
        const { coats: single } = answer('hide', {
          paint,
          under: index === 0 ? '#ffffff' : colours[index - 1],
          hiding: 50,
          coat: 15,
        }) as { coats: number };
        expect(coats[index]).toBe(single);
      });
    }
  });
});
