import fc from 'fast-check';
import { type Feature, OPENING_USES, type OpeningUse, type ZoneShape } from '../surface';
import { closingMethod, groupClosings } from './opening';

const at = { along: 0, above: 0 };
const round = (diameter: number): ZoneShape => ({ kind: 'round', at, diameter });
const window = (width: number, height: number, corner = 0): ZoneShape => ({
  kind: 'window',
  at,
  width,
  height,
  corner,
});
const opening = (shape: ZoneShape, use: OpeningUse): Extract<Feature, { kind: 'opening' }> => ({
  kind: 'opening',
  id: 'o',
  name: 'O',
  datum: 'base',
  use,
  shape,
});
const closed = (shape: ZoneShape, use: OpeningUse, model = false) => {
  const { code, values } = closingMethod(opening(shape, use), null, 1, model);
  const { opening: _, parts: __, count: ___, ...figures } = values;
  return [code, figures];
};

it.each<[string, ZoneShape, OpeningUse, boolean, unknown]>([
  ['a bolt hole: foam of the next size up', round(8), 'hole', false, ['opening.foam', { foamMm: 10, lengthMm: 25 }]],
  // A strip of 19 wound up fills a circle of 40: its length is the area over its thickness, 66.1, cut to full five.
  ['a larger hole: foam wound up', round(40), 'hole', false, ['opening.foam', { foamMm: 19, lengthMm: 70 }]],
  [
    'a vent: a disc as large as it',
    round(120),
    'hole',
    false,
    ['opening.disc', { discMm: 120, into: false, flush: true }],
  ],
  ['a vent of a model', round(60), 'hole', true, ['opening.disc', { discMm: 60, into: false, flush: true }]],
  [
    'a port: a disc into the recess',
    round(90),
    'port',
    false,
    ['opening.disc', { discMm: 89.7, into: true, flush: true }],
  ],
  [
    'a round window larger than any disc',
    round(600),
    'window',
    false,
    [
      'opening.film',
      { widthMm: 588, heightMm: 588, tapeMm: expect.closeTo(1200 * Math.PI, 6), edgeMm: 12, cornerMm: 300 },
    ],
  ],
  [
    'a window: film and two tapes',
    window(500, 300, 40),
    'window',
    false,
    [
      'opening.film',
      {
        widthMm: 488,
        heightMm: 288,
        tapeMm: expect.closeTo(2 * (1600 - (8 - 2 * Math.PI) * 40), 6),
        edgeMm: 12,
        cornerMm: 0,
      },
    ],
  ],
  ['a pane of a model', window(8, 6), 'window', true, ['opening.pane', { widthMm: 8, heightMm: 6 }]],
  [
    'a door gap: foam one size over it',
    window(900, 8),
    'gap',
    false,
    ['opening.foam-strip', { foamMm: 10, lengthMm: 900 }],
  ],
  ['a gap wider than any foam', window(900, 30), 'gap', false, ['opening.film', expect.anything()]],
  ['a jamb: back-masked', window(1000, 700), 'jamb', false, ['opening.back-mask', { tapeMm: 3400 }]],
  [
    'a slanted opening by its corners',
    {
      kind: 'corners',
      points: [
        { along: 0, above: 0 },
        { along: 400, above: 0 },
        { along: 300, above: 300 },
      ],
    },
    'window',
    false,
    [
      'opening.film',
      {
        widthMm: 388,
        heightMm: 288,
        edgeMm: 12,
        cornerMm: 0,
        tapeMm: expect.closeTo(2 * (400 + Math.hypot(100, 300) + Math.hypot(300, 300)), 6),
      },
    ],
  ],
])('%s', (_, shape, use, model, expected) => expect(closed(shape, use, model)).toEqual(expected));

it('nothing that closes an opening lies on the face round it', () => {
  const size = fc.double({ min: 1, max: 3000, noNaN: true });
  fc.assert(
    fc.property(
      size,
      size,
      fc.constantFrom(...OPENING_USES),
      fc.boolean(),
      fc.boolean(),
      (width, height, use, isRound, model) => {
        const { code, values } = closingMethod(
          opening(isRound ? round(width) : window(width, height), use),
          null,
          2,
          model,
        );
        const [wide, high] = isRound ? [width, width] : [width, height];
        switch (code) {
          case 'opening.disc':
            return values.into ? values.discMm < wide : values.discMm <= wide;
          case 'opening.film':
            return values.widthMm < wide && values.heightMm < high && values.widthMm > 0 && values.tapeMm > 0;
          case 'opening.foam':
            // Wound up it fills the hole.
            return (
              values.foamMm > wide ||
              (values.foamMm * values.lengthMm >= (Math.PI * Math.max(wide, high) ** 2) / 4 - 1e-6 &&
                values.lengthMm % 5 === 0)
            );
          case 'opening.foam-strip':
            return values.foamMm > Math.min(wide, high) && values.lengthMm === Math.max(wide, high);
          case 'opening.pane':
            return values.widthMm === wide && values.heightMm === high;
          case 'opening.back-mask':
            return values.tapeMm > 0;
        }
      },
    ),
  );
});

it('what is closed alike on several parts is told once, with all of them counted', () => {
  const on = (shape: ZoneShape, part: string, alike: number) =>
    closingMethod(opening(shape, 'hole'), part, alike, false);
  expect(groupClosings([on(round(120), 'Left', 1), on(round(8), 'Left', 1), on(round(120), 'Right', 2)])).toEqual([
    {
      code: 'opening.disc',
      values: { opening: 'O', parts: ['Left', 'Right'], count: 3, discMm: 120, into: false, flush: true },
    },
    { code: 'opening.foam', values: { opening: 'O', parts: ['Left'], count: 1, foamMm: 10, lengthMm: 25 } },
  ]);
});
