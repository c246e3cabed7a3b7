import fc from 'fast-check';
import { firstItem } from '../kit';
import type { Card } from './card';
import { SHIPPED_FINISHES, typicalFinish } from './catalogue';
import { coatSteps, colourOverGround, nearestCoatStep } from './coat-colours';
import { coatsOver, hidingFromCard, minCoatsForBuild } from './hiding';
import { hexFromLab, labDifference } from './layer';
import { mixFor, mixParts, paintNeeded } from './mix';

// Pairs of the published test data for CIEDE2000 (Sharma, Wu and Dalal 2005): L, a, b, L, a, b, difference.
const PAIRS = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
] as const;

it.each(PAIRS)('ΔE00 of %d %d %d and %d %d %d is as published', (l1, a1, b1, l2, a2, b2, difference) => {
  const [first, second] = [
    { l: l1, a: a1, b: b1 },
    { l: l2, a: a2, b: b2 },
  ];
  expect(labDifference(first, second)).toBeCloseTo(difference, 4);
  expect(labDifference(second, first)).toBeCloseTo(difference, 4);
});

describe('a measured colour', () => {
  it('is shown as what a screen shows for it', () => {
    expect(hexFromLab({ l: 100, a: 0, b: 0 })).toEqual({ hex: '#ffffff', shown: true });
    expect(hexFromLab({ l: 0, a: 0, b: 0 }).hex).toBe('#000000');
    // sRGB red, by its standard.
    expect(hexFromLab({ l: 53.2371, a: 80.0906, b: 67.2028 }).hex).toBe('#ff0000');
  });
  it('is told where a screen cannot show it', () => expect(hexFromLab({ l: 60, a: -110, b: 40 }).shown).toBe(false));
});

const candy = { ...typicalFinish('candy', 'Candy', 'base-solvent', '#8a1020', 120, 'candy') };
const card = (over: Partial<Card>): Card => ({
  id: 'c1',
  kind: 'let-down',
  name: 'Over silver',
  ground: '#c0c0c0',
  steps: [
    { coats: 1, colour: '#c08890' },
    { coats: 2, colour: '#b05060' },
    { coats: 4, colour: '#8a1020' },
  ],
  airC: 21,
  rhPercent: 50,
  gun: '1.3 tip',
  note: '',
  ...over,
});

describe('the ladder of a candy', () => {
  it('deepens coat by coat over a light ground', () => {
    const differences = coatSteps(candy, '#e0e0e0', 12).map(({ deltaE }) => deltaE);
    differences
      .slice(1)
      .forEach((difference, index) => expect(difference).toBeLessThanOrEqual(differences[index]! + 1e-9));
  });
  it('is read from a card on a like ground, between its steps too', () => {
    const carded = { ...candy, cards: [card({})] };
    const rungs = coatSteps(carded, '#c0c0c0', 6);
    expect(rungs.map(({ from }) => from)).toEqual(['card', 'card', 'card', 'card', 'formula', 'formula']);
    expect(rungs[0]!.colour).toBe('#c08890');
    expect(rungs[3]!.colour).toBe('#8a1020');
    expect(nearestCoatStep(rungs).coats).toBe(4);
    expect(coatsOver(carded, '#c0c0c0')).toEqual({ coats: 4, from: 'card' });
    // A ground unlike the card's asks the formula.
    expect(coatsOver(carded, '#1c1f24').from).not.toBe('card');
    expect(coatSteps(carded, '#c1c0c0', 1)[0]!.from).toBe('card');
  });
  it('a hiding card counts the coats that hid it, before sheet and formula', () => {
    const solid = { ...typicalFinish('s', 'S', 'base-solvent', '#b3242b', 50), coats: 5 };
    const steps = [
      { coats: 1, colour: '#803038' },
      { coats: 2, colour: '#a8272e' },
      { coats: 3, colour: '#b3242b' },
    ];
    expect(coatsOver(solid, '#8a8d86')).toEqual({ coats: 5, from: 'sheet' });
    expect(coatsOver(solid, '#1c1f24')).toEqual({ coats: 6, from: 'ground' });
    expect(coatsOver({ ...solid, cards: [card({ kind: 'hiding', ground: '#1c1f24', steps })] }, '#1c1f24')).toEqual({
      coats: 3,
      from: 'card',
    });
    expect(
      coatsOver({ ...solid, cards: [card({ kind: 'hiding', ground: '#1c1f24', steps: steps.slice(0, 1) })] }, '#1c1f24')
        .from,
    ).toBe('ground');
  });
  it('no fewer coats go on than make up the film the times are stated for, but for a candy', () => {
    const white = typicalFinish('w', 'W', 'two-part', '#f5f3ea', 20);
    expect(coatsOver(white, '#f5f3ea')).toEqual({ coats: 2, from: 'floor' });
    expect(coatsOver({ ...white, coatUm: 50 }, '#f5f3ea')).toEqual({ coats: 1, from: 'hiding' });
    expect(coatsOver(typicalFinish('p', 'P', 'peelable', '#202222', 20), '#202222').coats).toBe(5);
    expect(minCoatsForBuild({ referenceBuildUm: 125, coatUm: 25 })).toBe(5);
    expect(coatsOver({ ...white, effect: 'candy', coats: 1 }, '#f5f3ea')).toEqual({ coats: 1, from: 'sheet' });
  });
  it('the count of a sheet is over a fit ground: a solid colour takes more over a worse one, what is seen through does not', () => {
    const red = { ...typicalFinish('r', 'R', 'base-solvent', '#b3242b', 50), coatUm: 15, coats: 3 };
    expect(coatsOver(red, '#8a8d86')).toEqual({ coats: 3, from: 'sheet' });
    // One coat hides grey primer, three hide white: two more than the sheet counts.
    expect(coatsOver(red, '#ffffff')).toEqual({ coats: 5, from: 'ground' });
    expect(coatsOver({ ...red, effect: 'metallic' }, '#ffffff')).toEqual({ coats: 3, from: 'sheet' });
  });
  it('hiding film follows from a card that was hidden', () => expect(hidingFromCard(4, 15)).toBe(60));
});

describe('what is seen', () => {
  it('is the paint itself where it covers, and the ground through clear and candy', () => {
    const clear = firstItem(SHIPPED_FINISHES.filter(({ effect }) => effect === 'clear'));
    expect(colourOverGround(typicalFinish('s', 'S', 'two-part', '#2f6f62', 40), '#ffffff', 1)).toBe('#2f6f62');
    expect(colourOverGround(clear, '#2f6f62', 2)).not.toBe(clear.colour);
    expect(colourOverGround(candy, '#ffffff', 1)).not.toBe(colourOverGround(candy, '#1c1f24', 1));
  });
});

describe('paint to mix', () => {
  it('is what dries, lands and stays in the cup', () => {
    expect(paintNeeded(0.8, 20, { solids: 0.35, method: 'gun' })).toBeCloseTo(101.587 + 30, 3);
    expect(paintNeeded(0, 20, { solids: 0.35, method: 'gun' })).toBe(0);
  });
  it('is rounded up to what a cup can measure, every part of it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 3000, noNaN: true }),
        fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 1, maxLength: 4 }),
        (ml, ratio) => {
          const mix = mixFor(ml, { mixRatio: ratio, method: 'gun' });
          const smallest = Math.min(...mix.partsMl);
          const halves = smallest * 2;
          return (
            mix.mixMl >= ml - 1e-6 &&
            Math.abs(mix.partsMl.reduce((sum, part) => sum + part, 0) - mix.mixMl) < 1e-6 &&
            Math.abs(halves - Math.round(halves)) < 1e-6
          );
        },
      ),
    );
  });
  it('is told in whole cans where it comes in cans', () => {
    expect(mixFor(500, { mixRatio: [1], method: 'can' }).cans).toBe(2);
    expect(mixFor(500, { mixRatio: [1], method: 'gun' }).cans).toBeNull();
    expect(mixParts(60, [4, 1, 1])).toEqual([40, 10, 10]);
  });
});
