import * as v from 'valibot';
import { shelfSchema, SHIPPED_SHELF } from '../job';
import { SHIPPED_TAPES, tapeSchema } from '../tape';
import { SHIPPED_FINISHES, typicalFigures, typicalFinish } from './catalogue';
import { finishSchema } from './finish';
import { PAINT_SYSTEM_KEYS } from './system';

const unique = (keys: readonly string[]) => new Set(keys).size === keys.length;

it('everything that ships is sound, has its own name and says that it is typical', () => {
  expect(v.safeParse(shelfSchema, SHIPPED_SHELF).issues).toBeUndefined();
  expect(unique(SHIPPED_TAPES.map(({ code }) => code))).toBe(true);
  expect(unique(SHIPPED_FINISHES.map(({ id }) => id))).toBe(true);
  expect([...SHIPPED_TAPES, ...SHIPPED_FINISHES].every(({ basis }) => /typical/.test(basis))).toBe(true);
});

it('there is a finish of every system, each with figures in a sensible order', () => {
  expect([...new Set(SHIPPED_FINISHES.map(({ system }) => system))].sort()).toEqual([...PAINT_SYSTEM_KEYS].sort());
  for (const system of PAINT_SYSTEM_KEYS) {
    const { touchMin, throughMin, recoat } = typicalFigures(system);
    expect(touchMin).toBeLessThanOrEqual(throughMin);
    for (const { fromMin, toMin } of recoat) expect(toMin ?? Infinity).toBeGreaterThan(fromMin);
    if (recoat[1]) expect(recoat[1].fromMin).toBeGreaterThan(recoat[0]!.toMin ?? Infinity);
  }
});

it('a code is the letter of the kind and the width', () => {
  for (const { code, kind, widthMm } of SHIPPED_TAPES) expect(code).toBe(`${kind}${widthMm}`);
});

it.each([
  ['base-solvent', 10, 15, 30, 60, 8, 24, 35],
  ['two-part', 15, 180, 720, 960, 25, 50, 55],
  ['air-acrylic', 4, 10, 90, 120, 5, 10, 40],
  ['can-enamel', 12, 45, 1440, 1440, 15, 30, 45],
] as const)(
  '%s ships with the usual figures',
  (system, flashMin, touchMin, tapeSafeMin, throughMin, coatUm, referenceBuildUm, activationKj) => {
    expect(typicalFigures(system)).toMatchObject({
      flashMin,
      touchMin,
      tapeSafeMin,
      throughMin,
      coatUm,
      referenceBuildUm,
      activationKj,
    });
  },
);

it('a finish has its keys in the order of the schema, so that it is written the same everywhere', () => {
  const plain = Object.keys(finishSchema.entries).filter((key) => !['gun', 'pricePerL', 'cards'].includes(key));
  expect(Object.keys(typicalFinish('a', 'A', 'dope', '#112233', 40))).toEqual(plain);
  // What stock there is, and what it costs, nobody knows of a tape that ships.
  expect(Object.keys(SHIPPED_TAPES[0]!)).toEqual(
    Object.keys(tapeSchema.entries).filter((key) => key !== 'rollM' && key !== 'rolls' && key !== 'rollPrice'),
  );
});

it.each([
  ['colour', 'red'],
  ['touchMin', 0],
  ['solids', 1.2],
  ['mixRatio', []],
  ['coats', 2.5],
  ['school', 'damp'],
  ['recoat', [{ fromMin: -1, toMin: null }]],
])('the schema refuses %s = %j', (key, value) => {
  const issues = v.safeParse(finishSchema, { ...SHIPPED_FINISHES[0], [key]: value }).issues ?? [];
  expect(issues.map((issue) => String(v.getDotPath(issue)).split('.')[0])).toEqual([key]);
});
