import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { SHIPPED_FINISHES } from './catalogue';
import { coatsOver, coatsToHide } from './hiding';
import { colourDifference, reflectanceOf, reflectanceOfLayer, scatterFromHiding } from './layer';

it.each([
  ['yellow over brown', '#f2c230', '#7a4a2b', 60, 15, 7],
  ['yellow over white', '#f2c230', '#ffffff', 60, 15, 6],
  ['near-black over white', '#1c1f24', '#ffffff', 25, 15, 2],
  ['red over white', '#b3242b', '#ffffff', 50, 15, 3],
  ['cream over teal', '#f5f3ea', '#20504f', 70, 20, 4],
  ['teal over cream', '#20504f', '#f5f3ea', 30, 20, 2],
])('%s needs the worked number of coats', (_, paint, under, hiding, coat, coats) =>
  expect(coatsToHide(paint, under, hiding, coat, 1).coats).toBe(coats),
);

it('solves the scattering of the worked paints', () => {
  expect(scatterFromHiding(reflectanceOf('#f2c230'), 60)).toBeCloseTo(0.08577, 5);
  expect(scatterFromHiding(reflectanceOf('#b3242b'), 50)).toBeCloseTo(0.04892, 5);
});

it('a thin enough film is the ground, a thick enough one the paint', () => {
  const paint = reflectanceOf('#b3242b');
  const ground = reflectanceOf('#f5f3ea');
  expect(reflectanceOfLayer(paint, 0.05, 0, ground)).toEqual(ground);
  reflectanceOfLayer(paint, 0.05, 10_000, ground).forEach((value, index) =>
    expect(value).toBeCloseTo(paint[index]!, 6),
  );
});

it('differs by nothing from itself, and the same both ways', () => {
  const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
  fc.assert(
    fc.property(
      hex,
      hex,
      (a, b) =>
        Math.abs(
          colourDifference(reflectanceOf(a), reflectanceOf(b)) - colourDifference(reflectanceOf(b), reflectanceOf(a)),
        ) < 1e-9,
    ),
  );
  expect(colourDifference(reflectanceOf('#2f6f62'), reflectanceOf('#2f6f62'))).toBe(0);
});

it('never needs more coats for a looser tolerance', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 5, noNaN: true }),
      fc.double({ min: 10, max: 80, noNaN: true }),
      (tolerance, hiding) => {
        const strict = coatsToHide('#f2c230', '#22304f', hiding, 15, tolerance).coats ?? 99;
        const loose = coatsToHide('#f2c230', '#22304f', hiding, 15, tolerance + 1).coats ?? 99;
        return loose <= strict;
      },
    ),
    { numRuns: depth(10, 40) },
  );
});

it('takes the count of the data sheet where there is one, and says when hiding fails', () => {
  const clear = SHIPPED_FINISHES.find(({ system }) => system === 'clear-two-part');
  expect(clear && coatsOver(clear, '#000000')).toEqual({ coats: 2, from: 'sheet' });
  const thin = { ...SHIPPED_FINISHES[1]!, coats: null, coatUm: 0.1 };
  expect(coatsOver(thin, '#000000')).toEqual({ coats: 20, from: 'most' });
});

it('refuses what is no colour', () => expect(() => reflectanceOf('mauve-ish')).toThrow(/colour/));
