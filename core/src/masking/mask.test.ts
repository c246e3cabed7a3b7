import fc from 'fast-check';
import { edgeClass, isColourFinal, type MaskArea, whenMaskLaid } from './edge-class';
import { maskOf, type MaskProblem, type MaskStage, splitMask } from './mask';
import { MASK_STATE } from './mask-state';
import { partsInReach } from './reach';

const area = (over: Partial<MaskArea> = {}): MaskArea => ({
  part: 'hull',
  finish: 'red',
  alike: null,
  blend: false,
  strip: null,
  ...over,
});

/** Red below, a strip between, white above, and a lid nobody touches. */
const GROUND: MaskProblem = {
  areas: [
    area(),
    area({ finish: 'blue', strip: 'V6' }),
    area({ finish: 'white' }),
    area({ part: 'lid', finish: null }),
  ],
  borders: [
    { a: 0, b: 1 },
    { a: 1, b: 2 },
  ],
  attached: new Map(),
};
const stage = (over: Partial<MaskStage> = {}): MaskStage => ({
  open: [true, false, false, false],
  method: 'gun',
  painted: [false, false, false, false],
  standing: null,
  ...over,
});

describe('an edge', () => {
  it('is crisp where the covered colour stays, rough where it is painted over later, soft where a blend fades out', () => {
    expect(edgeClass(area(), area({ finish: null }), false)).toBe('crisp');
    expect(edgeClass(area(), area(), true)).toBe('crisp');
    expect(edgeClass(area(), area(), false)).toBe('rough');
    expect(edgeClass(area({ blend: true }), area({ finish: null }), false)).toBe('soft');
    expect(edgeClass(area({ blend: true }), area(), true)).toBe('crisp');
  });
  it('stays for what is kept, and for what has had its finish', () =>
    expect([
      isColourFinal({ finish: null }, false),
      isColourFinal({ finish: 'red' }, false),
      isColourFinal({ finish: 'red' }, true),
    ]).toEqual([true, false, true]));
  it('is laid in its stage, but for what masks that stayed on cover already', () =>
    expect(
      [null, MASK_STATE.open, MASK_STATE.bare, MASK_STATE.covered, MASK_STATE.unsettled].map(whenMaskLaid),
    ).toEqual(['now', 'now', 'now', 'before', 'if-open']));
});

describe('a stage', () => {
  it('covers what it must not reach on the parts it sprays, and leaves other parts alone', () => {
    const { edges, covers } = maskOf(GROUND, stage());
    expect(covers).toEqual([
      { area: 1, by: 'drape', crisp: false, laid: 'now', sheet: 1 },
      { area: 2, by: 'drape', crisp: false, laid: 'now', sheet: 1 },
    ]);
    expect(edges).toEqual([
      { border: 0, free: 0, closed: 1, class: 'rough', laid: 'now', strip: false, backed: false },
    ]);
  });
  it('covers a strip by one tape only where both sides of it are open: else it is one with its neighbour', () => {
    const both = maskOf(GROUND, stage({ open: [true, false, true, false] }));
    expect(both.covers).toEqual([{ area: 1, by: 'tape', crisp: false, laid: 'now', sheet: 1 }]);
    expect(both.edges.map(({ strip }) => strip)).toEqual([true, true]);
  });
  it('covers a narrow area by the tapes along its lines, and puts a backing behind the line of a wide one', () => {
    const side = { backed: true, over: null };
    const ground = (narrow?: number): MaskProblem => ({
      areas: [area(), area({ finish: null, ...(narrow === undefined ? {} : { narrow }) }), area({ finish: 'white' })],
      borders: [
        { a: 0, b: 1, sides: [side, side] },
        { a: 2, b: 1, sides: [side, side] },
      ],
      attached: new Map(),
    });
    const open = { open: [true, false, true], painted: [false, false, false] };
    expect(maskOf(ground(12), stage(open)).covers).toEqual([
      { area: 1, by: 'edges', crisp: false, laid: 'now', sheet: 1 },
    ]);
    expect(maskOf(ground(12), stage(open)).edges.map(({ backed }) => backed)).toEqual([false, false]);
    expect(maskOf(ground(), stage(open)).covers[0]!.by).toBe('drape');
    expect(maskOf(ground(), stage(open)).edges.map(({ backed }) => backed)).toEqual([true, true]);
    // Beside a brush the tape along the edge is enough.
    const brushed = maskOf(ground(), stage({ ...open, method: 'brush' }));
    expect(brushed.covers[0]!.by).toBe('edges');
    expect(brushed.edges.map(({ backed }) => backed)).toEqual([false, false]);
  });
  it('makes the line that stays with the strip that covers a painted stripe', () => {
    const { edges, covers } = maskOf(
      GROUND,
      stage({ open: [true, false, true, false], painted: [false, true, false, false] }),
    );
    expect(edges.map(({ free, closed, class: one, strip }) => [free, closed, one, strip])).toEqual([
      [0, 1, 'crisp', true],
      [2, 1, 'crisp', true],
    ]);
    expect(covers).toEqual([{ area: 1, by: 'tape', crisp: true, laid: 'now', sheet: 1 }]);
  });
  it('lays only what is not on yet', () => {
    const { covers } = maskOf(GROUND, stage({ open: [true, false, false, false], standing: [1, 1, 0, 0] }));
    expect(covers.map(({ area: index, laid }) => [index, laid])).toEqual([
      [1, 'now'],
      [2, 'before'],
    ]);
  });
  it('masks nothing where all or nothing of a part is open', () => {
    expect(maskOf(GROUND, stage({ open: [true, true, true, false] })).edges).toEqual([]);
    expect(maskOf(GROUND, stage({ open: [false, false, false, true] }))).toEqual({
      edges: [],
      covers: [],
      wholes: [],
      drips: false,
    });
  });
});

it('every border between open and covered is one edge, every covered area of a sprayed part one cover', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          part: fc.constantFrom('a', 'b'),
          open: fc.boolean(),
          painted: fc.boolean(),
          kept: fc.boolean(),
          under: fc.boolean(),
        }),
        {
          minLength: 2,
          maxLength: 12,
        },
      ),
      fc.boolean(),
      (made, masked) => {
        const areas = made.map(({ part, kept }) => area({ part, finish: kept ? null : 'red' }));
        const borders = made.flatMap((one, a) =>
          made.flatMap((other, b) => (a < b && one.part === other.part ? [{ a, b }] : [])),
        );
        const open = made.map((one) => one.open);
        const standing = masked ? made.map((one) => (one.under ? MASK_STATE.open : MASK_STATE.covered)) : null;
        const mask = maskOf(
          { areas, borders, attached: new Map() },
          { method: 'gun', open, painted: made.map((one) => one.painted), standing },
        );
        expect(mask.edges.map(({ border }) => border)).toEqual(
          borders.flatMap(({ a, b }, index) => (open[a] === open[b] ? [] : [index])),
        );
        for (const { free, closed, laid } of mask.edges) {
          expect([open[free], open[closed]]).toEqual([true, false]);
          // Tape lies only along what was open when it was laid.
          expect(laid).toBe(masked && !made[closed]!.under && made[free]!.under ? 'before' : 'now');
        }
        const sprayed = new Set(made.filter((one) => one.open).map(({ part }) => part));
        expect(mask.covers.map((cover) => cover.area)).toEqual(
          made.flatMap((one, index) => (!one.open && sprayed.has(one.part) ? [index] : [])),
        );
      },
    ),
  ));

it('covers only what lies beside it where paint is rolled or brushed', () => {
  const both = { ...GROUND, areas: GROUND.areas.map((maskArea) => ({ ...maskArea, strip: null })) };
  const open = [true, false, false, false];
  expect(maskOf(both, stage({ open, method: 'roller' })).covers.map((cover) => cover.area)).toEqual([1]);
  expect(maskOf(both, stage({ open, method: 'gun' })).covers.map((cover) => cover.area)).toEqual([1, 2]);
});

describe('attached parts', () => {
  const attached = new Map([
    ['hull', ['lid']],
    ['lid', ['hull', 'knob']],
    ['knob', ['lid']],
  ]);
  it.each([
    ['gun', ['lid', 'knob']],
    ['can', ['lid']],
    ['airbrush', ['lid']],
    ['roller', []],
    ['brush', []],
  ] as const)('%s reaches %j', (method, reached) =>
    expect(partsInReach(attached, new Set(['hull']), method)).toEqual(reached),
  );
  it('are covered whole while they are not sprayed, detached ones never', () => {
    expect(maskOf({ ...GROUND, attached }, stage()).wholes).toEqual(['lid', 'knob']);
    expect(maskOf({ ...GROUND, attached }, stage({ open: [true, false, false, true] })).wholes).toEqual(['knob']);
    expect(maskOf(GROUND, stage()).wholes).toEqual([]);
  });
});

describe('what stays on through the coats beside it', () => {
  const kept: MaskProblem = {
    ...GROUND,
    areas: [area(), area({ finish: 'blue' }), area({ finish: null }), area({ finish: null, alike: 'red' })],
  };
  const split = (through: readonly string[]) =>
    splitMask(kept, maskOf({ ...kept, borders: [...GROUND.borders, { a: 0, b: 2 }] }, stage()), new Set(through));
  it('is what lies on kept areas of those parts, not what is painted later or may be sprayed along', () => {
    const { inner, outer } = split(['hull']);
    expect(outer.get('hull')?.covers.map(({ area: index }) => index)).toEqual([2]);
    expect(outer.get('hull')?.edges.map(({ closed }) => closed)).toEqual([2]);
    expect(inner.covers.map(({ area: index }) => index)).toEqual([1, 3]);
  });
  it('is nothing where no part is asked for', () => expect(split([]).outer.size).toBe(0));
});
