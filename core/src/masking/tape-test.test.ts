import fc from 'fast-check';
import { REFERENCE_AIR } from '../air';
import { tightestEdgeRadius } from '../tape';
import { filmBond, holdOnFilm, tapeGrip } from './hold';
import { gripFromStickTest, stretchFromBendTest } from './tape-test';

const V6 = { widthMm: 6, fold: 0.005, stretch: 0.15, adhesionN25: 6, minApplyC: 10 };

describe('a bend test', () => {
  it('gives the stretch with which the can is the tightest bend there is', () =>
    fc.assert(
      fc.property(fc.double({ min: 20, max: 400, noNaN: true }), (diameter) => {
        const stretch = stretchFromBendTest({ ...V6, stretch: 0 }, { cleanMm: diameter, failedMm: null })!;
        if (stretch > 0) expect(tightestEdgeRadius({ ...V6, stretch }, 'outside')).toBeCloseTo(diameter / 2, 6);
      }),
    ));
  it('between a clean can and one it failed on lies half-way', () => {
    // 60 mm: 0.995·36/30 − 1 = 0.194; 100 mm: 0.995·56/50 − 1 = 0.1144.
    expect(stretchFromBendTest(V6, { cleanMm: 100, failedMm: 60 })).toBeCloseTo((0.194 + 0.1144) / 2, 6);
  });
  it('takes nothing back that held, and nothing on that failed', () => {
    expect(stretchFromBendTest(V6, { cleanMm: 300, failedMm: null })).toBe(0.15);
    expect(stretchFromBendTest(V6, { cleanMm: null, failedMm: 20 })).toBe(0.15);
    expect(stretchFromBendTest(V6, { cleanMm: null, failedMm: 100 })).toBeCloseTo(0.1144, 6);
  });
  it('says nothing where nothing was tried, or a smaller can went well and a larger one did not', () => {
    expect(stretchFromBendTest(V6, { cleanMm: null, failedMm: null })).toBeNull();
    expect(stretchFromBendTest(V6, { cleanMm: 60, failedMm: 100 })).toBeNull();
  });
});

describe('a stick test', () => {
  const on = { paint: 'air-acrylic', ageMin: 100_000, surfaceC: 20 } as const;
  const bond = filmBond({ system: on.paint, finish: null, ageMin: on.ageMin, onBarePlastic: false }, REFERENCE_AIR);
  it('that lifted paint makes the tape one that is not to be laid there', () => {
    const gentle = { adhesionN25: 2, minApplyC: 10 };
    expect(holdOnFilm(bond, tapeGrip(gentle, 0))).toBe('safe');
    const found = gripFromStickTest(gentle, { ...on, result: 'lifted' }, REFERENCE_AIR);
    expect(holdOnFilm(bond, tapeGrip({ adhesionN25: found.adhesionN25 + 1e-9 }, 0))).toBe('no');
  });
  it('that came off clean makes it one that may be tried', () => {
    const found = gripFromStickTest({ adhesionN25: 20, minApplyC: 10 }, { ...on, result: 'clean' }, REFERENCE_AIR);
    expect(holdOnFilm(bond, tapeGrip(found, 0))).toBe('test');
  });
  it('that let go asks for a warmer surface next time', () =>
    expect(gripFromStickTest(V6, { ...on, surfaceC: 12, result: 'let-go' }, REFERENCE_AIR)).toEqual({
      adhesionN25: 6,
      minApplyC: 13,
    }));
});
