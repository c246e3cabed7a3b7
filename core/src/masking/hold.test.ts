import fc from 'fast-check';
import { PAINT_SYSTEM_KEYS, typicalFigures } from '../finish';
import { deTackFor, type FilmBelow, filmBond, holdOnFilm, tapeGrip } from './hold';

const air = { airC: 23, rhPercent: 50, movement: 'normal' as const };
const film = (system: FilmBelow['system'], ageH: number, onBarePlastic = false): FilmBelow => ({
  system,
  finish: null,
  ageMin: ageH * 60,
  onBarePlastic,
});
const bond = (...of: Parameters<typeof film>) => filmBond(film(...of), air);

describe('how strongly a film holds', () => {
  it.each<[FilmBelow['system'], number, number]>([
    // Half when dry through, all of it when cured; in between it grows evenly.
    ['two-part', 16, 20],
    ['two-part', 168, 40],
    ['two-part', 92, 30],
    ['two-part', 8, 10],
    ['can-enamel', 24, 12.5],
    ['base-solvent', 1, 18],
    ['base-solvent', 0.5, 9],
    ['air-acrylic', 100, 9],
    ['varnish', 100, 6],
    ['varnish', 400, 20],
  ])('%s after %d h: %d N/25 mm', (system, ageH, newtons) => expect(bond(system, ageH)).toBeCloseTo(newtons, 6));
  it('on bare plastic airbrush acrylic holds less than half', () => expect(bond('air-acrylic', 100, true)).toBe(4));
  it('where nothing is, nothing comes off', () =>
    expect(holdOnFilm(bond(null, 0), tapeGrip({ adhesionN25: 9 }, 1))).toBe('safe'));
  it('grows with age, slower in the cold, and never above its full hold', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PAINT_SYSTEM_KEYS),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (system, ageH, more) => {
          const [young, old, cold] = [
            bond(system, ageH),
            bond(system, ageH + more),
            filmBond(film(system, ageH), { ...air, airC: 10 }),
          ];
          return young <= old + 1e-9 && cold <= young + 1e-9 && old <= bond(system, 1e6) + 1e-9;
        },
      ),
    );
  });
  it('takes the figures of the finish itself where it is on the shelf', () =>
    expect(
      filmBond({ ...film('two-part', 16), finish: { ...typicalFigures('two-part'), throughMin: 480, cureH: 16 } }, air),
    ).toBe(40));
});

describe('whether a tape may lie on it', () => {
  it.each<[number, number, string]>([
    [40, 8.5, 'safe'],
    [20, 8.5, 'test'],
    [9, 8.5, 'test'],
    [8, 8.5, 'no'],
    [9, 2.8, 'safe'],
  ])('hold %d against grip %d: %s', (holds, grip, level) => expect(holdOnFilm(holds, grip)).toBe(level));
  it('grip grows while it stays, and is less after cloth', () => {
    const tape = { adhesionN25: 6 };
    expect([0, 0.5, 1, 3].map((share) => tapeGrip(tape, share))).toEqual([
      6, 6.8999999999999995, 7.800000000000001, 7.800000000000001,
    ]);
    expect([1, 3].map((times) => tapeGrip(tape, 0, times as 1 | 3))).toEqual([4.5, 3]);
  });
  it('is stuck to cloth only where that makes it safe, and no more often than that takes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (holds, adhesionN25, share) => {
          const times = deTackFor(holds, { adhesionN25 }, share);
          const level = (of: 0 | 1 | 3) => holdOnFilm(holds, tapeGrip({ adhesionN25 }, share, of));
          if (level(0) !== 'test') return times === null;
          return level(1) === 'safe' ? times === 1 : level(3) === 'safe' ? times === 3 : times === null;
        },
      ),
    );
  });
});
