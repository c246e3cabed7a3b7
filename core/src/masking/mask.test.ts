import fc from 'fast-check';
import { colourStays, edgeClass, laidWhen, maskOf, type MaskArea, type MaskGround, type MaskStage } from '.';

const area = (over: Partial<MaskArea> = {}): MaskArea => ({ part: 'hull', finish: 'red', blend: false, strip: null, ...over });

/** Red below, a strip between, white above, and a lid nobody touches. */
const GROUND: MaskGround = {
  areas: [area(), area({ finish: 'blue', strip: 'V6' }), area({ finish: 'white' }), area({ part: 'lid', finish: null })],
  borders: [
    { a: 0, b: 1 },
    { a: 1, b: 2 },
  ],
};
const stage = (over: Partial<MaskStage> = {}): MaskStage => ({
  open: [true, false, false, false],
  painted: [false, false, false, false],
  under: null,
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
    expect([colourStays({ finish: null }, false), colourStays({ finish: 'red' }, false), colourStays({ finish: 'red' }, true)]).toEqual([true, false, true]));
  it('is laid in its stage, but for what masks that stayed on cover already', () =>
    expect([null, 1, 0, -1].map(laidWhen)).toEqual(['now', 'now', 'before', 'if-open']));
});

describe('a stage', () => {
  it('covers what it must not reach on the parts it sprays, and leaves other parts alone', () => {
    const { edges, covers } = maskOf(GROUND, stage());
    expect(covers).toEqual([
      { area: 1, by: 'tape', crisp: false, laid: 'now' },
      { area: 2, by: 'drape', crisp: false, laid: 'now' },
    ]);
    expect(edges).toEqual([{ border: 0, free: 0, closed: 1, class: 'rough', laid: 'now', strip: true }]);
  });
  it('makes the line that stays with the strip that covers a painted stripe', () => {
    const { edges, covers } = maskOf(GROUND, stage({ open: [true, false, true, false], painted: [false, true, false, false] }));
    expect(edges.map(({ free, closed, class: one, strip }) => [free, closed, one, strip])).toEqual([
      [0, 1, 'crisp', true],
      [2, 1, 'crisp', true],
    ]);
    expect(covers).toEqual([{ area: 1, by: 'tape', crisp: true, laid: 'now' }]);
  });
  it('lays only what is not on yet', () => {
    const { covers } = maskOf(GROUND, stage({ open: [true, false, false, false], under: [true, true, false, false] }));
    expect(covers.map(({ area: index, laid }) => [index, laid])).toEqual([
      [1, 'now'],
      [2, 'before'],
    ]);
  });
  it('masks nothing where all or nothing of a part is open', () => {
    expect(maskOf(GROUND, stage({ open: [true, true, true, false] })).edges).toEqual([]);
    expect(maskOf(GROUND, stage({ open: [false, false, false, true] }))).toEqual({ edges: [], covers: [] });
  });
});

it('every border between open and covered is one edge, every covered area of a sprayed part one cover', () =>
  fc.assert(
    fc.property(
      fc.array(fc.record({ part: fc.constantFrom('a', 'b'), open: fc.boolean(), painted: fc.boolean(), kept: fc.boolean(), under: fc.boolean() }), {
        minLength: 2,
        maxLength: 12,
      }),
      fc.boolean(),
      (made, masked) => {
        const areas = made.map(({ part, kept }) => area({ part, finish: kept ? null : 'red' }));
        const borders = made.flatMap((one, a) => made.flatMap((other, b) => (a < b && one.part === other.part ? [{ a, b }] : [])));
        const open = made.map((one) => one.open);
        const found = maskOf({ areas, borders }, { open, painted: made.map((one) => one.painted), under: masked ? made.map((one) => one.under) : null });
        expect(found.edges.map(({ border }) => border)).toEqual(borders.flatMap(({ a, b }, index) => (open[a] === open[b] ? [] : [index])));
        for (const { free, closed, laid } of found.edges) {
          expect([open[free], open[closed]]).toEqual([true, false]);
          expect(laid).toBe(masked && !made[closed].under ? 'before' : 'now');
        }
        const sprayed = new Set(made.filter((one) => one.open).map(({ part }) => part));
        expect(found.covers.map((one) => one.area)).toEqual(made.flatMap((one, index) => (!one.open && sprayed.has(one.part) ? [index] : [])));
      },
    ),
  ));
