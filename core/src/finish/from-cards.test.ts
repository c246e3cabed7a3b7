import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import type { Card } from './card';
import { typicalFinish } from './catalogue';
import type { Finish } from './finish';
import { hidingFactorFromCards, hidingFilmUm } from './from-cards';
import { coatsOver, coatsToHide } from './hiding';
import { colourDifference, hexOf, reflectanceOf, reflectanceOfLayer, scatterFromHiding } from './layer';

const paint = (colour: string, hidingUm: number): Finish => ({
  ...typicalFinish('f', 'F', 'two-part', colour, hidingUm),
  coats: null,
  coatUm: 15,
  referenceBuildUm: 15,
});
/** A card of a paint that hides with a multiple of the film of its data sheet, each colour read a little wrong. */
const cardOn = (
  finish: Finish,
  factor: number,
  ground: string,
  coats: readonly number[],
  wrong: number,
  id = ground,
): Card => {
  const masstone = reflectanceOf(finish.colour);
  const scatter = scatterFromHiding(masstone, finish.hidingUm * factor);
  const read = (count: number, index: number) => {
    const shown = reflectanceOfLayer(masstone, scatter, count * finish.coatUm, reflectanceOf(ground));
    const [r, g, b] = shown.map((channel, place) => channel * (1 + wrong * Math.sin(7 * index + 3 * place)));
    return { coats: count, colour: hexOf([r!, g!, b!]) };
  };
  return {
    id,
    kind: 'hiding',
    name: ground,
    ground,
    steps: coats.map(read),
    airC: null,
    rhPercent: null,
    gun: '',
    note: '',
  };
};
const colours = fc.constantFrom('#f2c230', '#b3242b', '#f5f3ea', '#2f6f62', '#8fb0c4');
const factors = fc.integer({ min: 60, max: 160 }).map((percent) => percent / 100);

it('without a card the sheet speaks', () => {
  expect(hidingFactorFromCards(paint('#f2c230', 60))).toMatchObject({ factor: 1, count: 0 });
  expect(hidingFilmUm(paint('#f2c230', 60))).toBe(60);
});

it('five steps over black and white come nearer to the truth than the sheet, which lies in the spread that is told', () => {
  fc.assert(
    fc.property(colours, factors, fc.integer({ min: 40, max: 80 }), (colour, factor, hidingUm) => {
      // In thin coats: what hides after the first tells nothing.
      const finish = { ...paint(colour, hidingUm), coatUm: 8 };
      const cards = [
        cardOn(finish, factor, '#050505', [1, 2, 3], 0.02),
        cardOn(finish, factor, '#e8e8e8', [1, 2], 0.02),
      ];
      const learned = hidingFactorFromCards({ ...finish, cards });
      expect(learned.count).toBe(5);
      const off = Math.abs(Math.log(learned.factor / factor));
      // Where little shows through after the first coat it stays near the sheet, and says so by its spread.
      expect(off).toBeLessThan(Math.log(learned.high / learned.low));
      if (Math.abs(Math.log(factor)) > 0.2) expect(off).toBeLessThan(Math.abs(Math.log(factor)) / 2);
      expect(learned.low).toBeLessThan(learned.factor);
      expect(learned.high).toBeGreaterThan(learned.factor);
    }),
    { numRuns: depth(10, 60) },
  );
});

it('counts at once, over grounds no card was made on', () => {
  const finish = paint('#f2c230', 60);
  const brown = '#7a4a2b';
  const cards = [cardOn(finish, 1.5, '#050505', [1, 2, 3, 4], 0)];
  expect(coatsOver(finish, brown)).toEqual({ coats: coatsToHide(finish.colour, brown, 60, 15).coats, from: 'hiding' });
  const worse = coatsOver({ ...finish, cards }, brown);
  expect(worse.coats).toBe(coatsToHide(finish.colour, brown, hidingFilmUm({ ...finish, cards }), 15).coats);
  expect(worse.coats).toBeGreaterThan(coatsOver(finish, brown).coats);
  // The card left out, the sheet speaks again.
  expect(coatsOver({ ...finish, cards: [] }, brown)).toEqual(coatsOver(finish, brown));
});

it('a step on which nothing shows through any more says little, and one read wrong moves nothing for good', () => {
  const finish = paint('#1c1f24', 25);
  const hidden = hidingFactorFromCards({ ...finish, cards: [cardOn(finish, 1, '#1c1f24', [6, 7, 8], 0)] });
  expect(hidden.factor).toBeCloseTo(1, 1);
  expect(hidden.high / hidden.low).toBeGreaterThan(1.6);
  const yellow = paint('#f2c230', 60);
  const good = cardOn(yellow, 1, '#050505', [1, 2, 3], 0);
  const wrong = { ...good, id: 'wrong', steps: [{ coats: 2, colour: '#0000ff' }] };
  expect(colourDifference(reflectanceOf('#0000ff'), reflectanceOf('#f2c230'))).toBeGreaterThan(50);
  expect(hidingFactorFromCards({ ...yellow, cards: [good, wrong] }).factor).toBeCloseTo(
    hidingFactorFromCards({ ...yellow, cards: [good] }).factor,
    2,
  );
});
