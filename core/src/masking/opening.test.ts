import fc from 'fast-check';
import { CLOSING_WAYS, type ClosingWay, type Feature, OPENING_USES, type OpeningUse, type ZoneShape } from '../surface';
import { type ClosingFault, closingFault, possibleWays, usualWay } from './closing-way';
import { closingMethod, groupClosings, type OpeningMessage } from './opening';

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
  const { code, values } = closingMethod(opening(shape, use), null, 1, model)!;
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
  [
    'a pane of a model',
    window(8, 6),
    'window',
    true,
    ['opening.pane', { widthMm: 8, heightMm: 6, strips: 1, sealed: true }],
  ],
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

const dimension = fc.double({ min: 1, max: 3000, noNaN: true });
/** Any opening, and whether it is on a model. */
const anyOpening = fc
  .record({
    width: dimension,
    height: dimension,
    use: fc.constantFrom(...OPENING_USES),
    isRound: fc.boolean(),
    model: fc.boolean(),
  })
  .map(({ width, height, use, isRound, model }) => ({
    of: opening(isRound ? round(width) : window(width, height), use),
    wide: width,
    high: isRound ? width : height,
    model,
  }));

/** True where nothing of a closing lies on the face round its opening, and what is pushed in fills it. */
function staysOff(
  { code, values }: OpeningMessage,
  [wide, high]: readonly [number, number],
  isRound: boolean,
): boolean {
  switch (code) {
    case 'opening.disc':
      return isRound && (values.into ? values.discMm < wide : values.discMm <= wide);
    case 'opening.film':
      return values.widthMm < wide && values.heightMm < high && values.widthMm > 0 && values.tapeMm > 0;
    case 'opening.foam': {
      const filledMm2 = isRound ? (Math.PI * wide ** 2) / 4 : wide * high;
      return values.foamMm > Math.min(wide, high) || values.foamMm * values.lengthMm >= filledMm2 - 1e-6;
    }
    case 'opening.foam-strip':
      return values.foamMm > Math.min(wide, high) && values.lengthMm === Math.max(wide, high);
    case 'opening.pane':
    case 'opening.tape':
      return values.widthMm === wide && values.heightMm === high && values.strips! >= 1 && values.strips! <= 3;
    case 'opening.sheet':
      return values.widthMm < wide && values.heightMm < high && values.widthMm > 0 && values.heightMm > 0;
    case 'opening.inside':
      return values.widthMm > wide && values.tapeMm > 0;
    case 'opening.putty':
      return values.widthMm === wide && values.heightMm === high;
    case 'opening.box':
      return values.capMm === 2 * (wide + high) && values.baseMm < values.capMm;
    case 'opening.back-mask':
      return values.tapeMm > 0;
    case 'opening.sleeve':
      return values.pieces * values.pieceMm >= Math.PI * Math.max(wide, high);
    case 'opening.bag':
      return values.slitMm >= Math.max(wide, high) - 1e-6;
  }
}

it('nothing that closes an opening lies on the face round it, whichever way it is closed', () => {
  fc.assert(
    fc.property(anyOpening, fc.constantFrom(null, ...CLOSING_WAYS), ({ of, wide, high, model }, way) => {
      const closing = closingMethod(of, null, 2, model, way);
      return closing === null ? way === 'nothing' : staysOff(closing, [wide, high], of.shape.kind === 'round');
    }),
  );
});

const CODE_OF: Readonly<Record<ClosingWay, RegExp>> = {
  foam: /foam/,
  tape: /pane|opening\.tape/,
  disc: /disc/,
  film: /film/,
  box: /box/,
  sheet: /sheet/,
  putty: /putty/,
  bag: /bag/,
  pieces: /sleeve/,
  'back-mask': /back-mask/,
  inside: /inside/,
  nothing: /^$/,
};

it('a way that can be is taken, any other leaves the usual one, which always can be', () => {
  fc.assert(
    fc.property(anyOpening, fc.constantFrom(...CLOSING_WAYS), ({ of, model }, way) => {
      const usual = closingMethod(of, null, 1, model);
      const chosen = closingMethod(of, null, 1, model, way);
      const possible = possibleWays(of, model);
      expect(possible).toContain(usualWay(of, model));
      expect(possible).toContain('nothing');
      expect(CODE_OF[usualWay(of, model)].test(usual?.code ?? '')).toBe(true);
      if (possible.includes(way)) expect(CODE_OF[way].test(chosen?.code ?? '')).toBe(true);
      else expect(chosen).toEqual(usual);
    }),
  );
});

it.each<[string, ZoneShape, OpeningUse, ClosingWay, ClosingFault['code'] | null]>([
  ['a disc over a window with corners', window(300, 200), 'window', 'disc', 'closing-fault.not-round'],
  ['a disc larger than any', round(500), 'window', 'disc', 'closing-fault.too-large'],
  ['foam in a handle hole', window(90, 40), 'hole', 'foam', null],
  ['foam in a vent', round(120), 'hole', 'foam', 'closing-fault.too-large'],
  ['tape behind the edge of a box', window(300, 200), 'box', 'back-mask', 'closing-fault.nothing-behind'],
  ['a bag over a window', window(300, 200), 'window', 'bag', 'closing-fault.flush'],
  ['film over an aerial', round(8), 'post', 'film', 'closing-fault.stands-out'],
  ['film in a slot', window(120, 8), 'hole', 'film', 'closing-fault.too-small'],
])('%s', (_, shape, use, way, fault) =>
  expect(closingFault(opening(shape, use), way, false)?.code ?? null).toBe(fault),
);

it.each<[string, ZoneShape, OpeningUse, boolean, unknown]>([
  [
    'a moulding: one tape of its width',
    window(1400, 12),
    'strip',
    false,
    ['opening.tape', { widthMm: 1400, heightMm: 12, strips: 1 }],
  ],
  [
    'a trim as wide as two tapes: strips side by side',
    window(600, 80),
    'strip',
    false,
    ['opening.tape', { widthMm: 600, heightMm: 80, strips: 2 }],
  ],
  // One strip of 19 filling 90 x 40: the area over its thickness, 189.5, cut to full five.
  ['a handle hole: foam side by side', window(90, 40), 'hole', false, ['opening.foam', { foamMm: 19, lengthMm: 190 }]],
  [
    'a doorway of a model: card to its mouth, sealed',
    window(12, 30),
    'recess',
    true,
    ['opening.sheet', { widthMm: 11.8, heightMm: 29.8, tapeMm: 0, sealed: true }],
  ],
])('%s', (_, shape, use, model, expected) => expect(closed(shape, use, model)).toEqual(expected));

it('what is closed alike on several parts is told once, with all of them counted', () => {
  const on = (shape: ZoneShape, part: string, alike: number) =>
    closingMethod(opening(shape, 'hole'), part, alike, false)!;
  expect(groupClosings([on(round(120), 'Left', 1), on(round(8), 'Left', 1), on(round(120), 'Right', 2)])).toEqual([
    {
      code: 'opening.disc',
      values: { opening: 'O', parts: ['Left', 'Right'], count: 3, discMm: 120, into: false, flush: true },
    },
    { code: 'opening.foam', values: { opening: 'O', parts: ['Left'], count: 1, foamMm: 10, lengthMm: 25 } },
  ]);
});
