import fc from 'fast-check';
import { dewMargin, dewPoint, dryingRate } from '../air';
import { SHIPPED_FINISHES } from '../finish';
import { intersectSpans } from '../kit';
import { buildFactor, coatFlashMin, coatGap, dryingBuildUm, marksOf, maxDwellMin, pullWindows } from './window';

const air = (airC: number, rhPercent = 50) => ({ airC, rhPercent, movement: 'normal' as const });
const finish = (id: string) => SHIPPED_FINISHES.find((one) => one.id === id) ?? SHIPPED_FINISHES[0]!;

it.each([
  [23, 50, 12.02],
  [18, 80, 14.5],
])('dew point at %d °C and %d %%', (airC, rh, point) => expect(dewPoint(airC, rh)).toBeCloseTo(point, 2));
it('dew point of saturated air is the air', () => expect(dewPoint(17, 100)).toBeCloseTo(17, 9));
it('needs three degrees', () =>
  expect([dewMargin(18, 80, 17.5).ok, dewMargin(18, 80, 17.49).ok]).toEqual([true, false]));

it.each([
  [15, 0.569],
  [30, 1.598],
  [23, 1],
])('rate at %d °C with 50 kJ/mol', (airC, rate) => expect(dryingRate(50, false, air(airC))).toBeCloseTo(rate, 3));
it.each([
  [50, 1],
  [75, 0.5],
  [98, 0.15],
  [5, 1.9],
  [0.1, 1.998],
])('water leaves at %d %% at this rate', (rh, rate) => expect(dryingRate(0, true, air(23, rh))).toBeCloseTo(rate, 3));
it('moving air helps', () =>
  expect([
    dryingRate(0, false, { ...air(23), movement: 'still' }),
    dryingRate(0, false, { ...air(23), movement: 'booth' }),
  ]).toEqual([0.8, 1.25]));

it('a film at its reference build takes the time of the sheet; thicker takes longer by its hardening', () => {
  expect(buildFactor(finish('signal-base'), 24)).toBe(1);
  expect(buildFactor(finish('signal-base'), 48)).toBeCloseTo(2 ** 1.3);
  expect(buildFactor(finish('cream-two-part'), 100)).toBeCloseTo(2);
  expect(buildFactor(finish('tomato-can'), 60)).toBeCloseTo(2 ** 1.2);
});

describe('the next coat of the same finish', () => {
  it('goes on from its flash, or from when its recoat window opens, until that closes', () => {
    expect(coatGap(finish('tomato-can'), air(23))).toEqual({ from: 12, to: 60 });
    expect(coatGap(finish('boottop-navy'), air(23))).toEqual({ from: 240, to: null });
  });
  it('waits longer in the cold and for a coat thicker than the reference, and no less for a thinner one', () => {
    const can = finish('tomato-can');
    expect(coatGap(can, air(15)).from).toBeCloseTo(12 / dryingRate(45, false, air(15)), 9);
    expect(coatGap({ ...can, coatUm: 60 }, air(23)).from).toBeCloseTo(12 * 2 ** 1.2, 9);
    expect(coatGap({ ...can, coatUm: 3 }, air(23)).from).toBe(12);
  });
});

describe('coats that dry as one', () => {
  const can = finish('tomato-can');
  it('are all that were not through-dry when the next went on', () =>
    expect(dryingBuildUm(can, 3)).toBe(3 * can.coatUm));
  it('are one where the next goes on a coat that is through-dry, also in the very minute it is', () => {
    const opens = (fromMin: number) => ({ ...can, recoat: [{ fromMin, toMin: null }] });
    expect(dryingBuildUm(opens(can.throughMin + 1), 3)).toBe(can.coatUm);
    expect(dryingBuildUm(opens(can.throughMin), 3)).toBe(can.coatUm);
    expect(dryingBuildUm(opens(can.throughMin - 1), 3)).toBe(3 * can.coatUm);
  });
  it('flash and open at one pace, whatever the air and the coat', () => {
    for (const coatUm of [3, 15, 60])
      for (const airC of [8, 19, 31]) {
        const one = { ...can, coatUm, recoat: [{ fromMin: can.flashMin, toMin: null }] };
        expect(coatGap(one, air(airC)).from).toBe(coatFlashMin(one, air(airC)));
      }
  });
});

describe('pullWindows', () => {
  it('gives the three schools at the reference', () => {
    const windows = pullWindows(marksOf(finish('tomato-can')), air(23), 1, 72);
    expect(windows).toMatchObject({
      rate: 1,
      touchMin: 45,
      throughMin: 1440,
      wet: { from: 0, to: 9 },
      touch: { from: 45, to: 135 },
      dry: { from: 1440, to: 4320 },
    });
  });

  it.each([0.25, 0.5, 1, 3])(
    'takes a film of %d times the minutes, but never makes it tape-safe or through sooner than its sheet',
    (factor) => {
      const at = (one: number) => pullWindows(marksOf(finish('cream-two-part')), air(19, 60), one, 72);
      const [now, sheet] = [at(factor), at(1)];
      expect(now.touchMin).toBeCloseTo(sheet.touchMin * factor, 9);
      for (const mark of ['tapeSafeMin', 'throughMin'] as const)
        expect(now[mark]).toBeCloseTo((sheet[mark] as number) * Math.max(1, factor), 9);
      expect(now.dry?.from ?? now.throughMin).toBe(now.throughMin);
    },
  );

  it('keeps the touch school of a basecoat open until the tape has to go', () => {
    expect(pullWindows(marksOf(finish('signal-base')), air(23), 1, 72).touch).toEqual({ from: 15, to: 4320 });
  });

  it('pulls peelable rubber wet only', () => {
    expect(pullWindows(marksOf(finish('rubber-black')), air(23), 1, 72)).toMatchObject({
      touch: null,
      dry: null,
      tapeSafeMin: null,
    });
  });

  it('has no dry school where the tape must go before the film is through', () => {
    expect(pullWindows(marksOf(finish('tomato-can')), air(23), 1, 12).dry).toBeNull();
  });

  it('halves the stay of tape for each 15 °C', () =>
    expect([maxDwellMin(72, 23), maxDwellMin(72, 38), maxDwellMin(72, 10)]).toEqual([4320, 2160, 4320]));

  it('opens later in cooler air, and in order', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SHIPPED_FINISHES), fc.integer({ min: 5, max: 35 }), (one, airC) => {
        const cool = pullWindows(marksOf(one), air(airC), 1, 1e5);
        const warm = pullWindows(marksOf(one), air(airC + 3), 1, 1e5);
        const ordered =
          !cool.touch ||
          (cool.wet !== null &&
            (cool.wet.to as number) <= cool.touch.from &&
            cool.touch.from < (cool.touch.to as number));
        return cool.touchMin > warm.touchMin && ordered;
      }),
    );
  });
});

it.each([
  [[{ from: 5, to: null }], { from: 5, to: null }],
  [
    [
      { from: 5, to: 90 },
      { from: 20, to: null },
      { from: 0, to: 60 },
    ],
    { from: 20, to: 60 },
  ],
])('windows that must all be kept leave %#', (spans, left) => expect(intersectSpans(spans)).toEqual(left));
