import fc from 'fast-check';
import { PULL_TIMINGS, type PullTiming } from '../finish';
import { type BuiltBorder, type BuiltEdge, isBacked, isBackingOver, isLargeCover, pulledFirst } from './build-up';
import type { EdgeClass } from './edge-class';

const border = (over: boolean | null = null, backed = true, more: Partial<BuiltBorder> = {}): BuiltBorder => ({
  a: 0,
  sides: [
    { backed, over },
    { backed: false, over: null },
  ],
  ...more,
});
const edge = (closed: number, edgeClass: EdgeClass = 'crisp', backed = true, of = 0): BuiltEdge => ({
  border: of,
  closed,
  class: edgeClass,
  backed,
});
const small = () => false;

describe('a backing', () => {
  it('lies behind what makes a line that stays and is sprayed, on the side that needs one', () => {
    expect(isBacked(border(), 0, 'crisp', true)).toBe(true);
    expect(isBacked(border(), 1, 'crisp', true)).toBe(false);
    expect(isBacked(border(), 0, 'rough', true)).toBe(false);
    expect(isBacked(border(), 0, 'crisp', false)).toBe(false);
    expect(isBacked({ a: 0 }, 0, 'crisp', true)).toBe(false);
  });
  it('lies over the line tape where both come off dry, or where that is settled', () => {
    const over = (settled: boolean | null) => PULL_TIMINGS.map((timing) => isBackingOver(border(settled), 0, timing));
    expect(over(null)).toEqual(PULL_TIMINGS.map((timing) => timing === 'dry'));
    expect(over(true)).toEqual([true, true, true]);
    expect(over(false)).toEqual([false, false, false]);
  });
});

it('a cover of more than a square metre is large', () =>
  expect([0.9, 1, 1.1].map(isLargeCover)).toEqual([false, false, true]));

describe('what comes off in the window of its lines', () => {
  const first = (edges: readonly BuiltEdge[], borders: readonly BuiltBorder[], timing: PullTiming, isLarge = small) => {
    const { lines, backings, covers } = pulledFirst(borders, edges, () => timing, isLarge);
    return [lines.size, backings.size, [...covers]];
  };
  it('is the line tape alone over a backing, and all of it where the backing lies over', () => {
    expect(first([edge(0)], [border()], 'wet')).toEqual([1, 0, []]);
    expect(first([edge(0)], [border(true)], 'wet')).toEqual([1, 1, [0]]);
    expect(first([edge(0)], [border()], 'dry')).toEqual([1, 1, [0]]);
  });
  it('is a cover with the line tape it hangs from', () =>
    expect(first([edge(1, 'crisp', false)], [border()], 'wet')).toEqual([1, 0, [1]]));
  it('is not a rough edge under a large cover, nor tape that carries the cover beyond a part', () => {
    expect(first([edge(1, 'rough', false)], [border()], 'wet', () => true)).toEqual([0, 0, []]);
    expect(first([edge(1, 'rough', false)], [border()], 'dry', () => true)).toEqual([1, 0, [1]]);
    expect(first([edge(1, 'rough', false)], [border()], 'wet')).toEqual([1, 0, [1]]);
    const rim = { ...border(), rim: true };
    expect(first([edge(1, 'crisp', false)], [rim], 'wet')).toEqual([0, 0, []]);
    expect(first([edge(1, 'crisp', false)], [{ ...rim, makesLine: true }], 'wet')).toEqual([1, 0, [1]]);
  });
  it('never leaves anything on a line tape that comes off', () => {
    const anyEdge = fc.record({
      border: fc.nat(3),
      closed: fc.nat(5),
      class: fc.constantFrom<EdgeClass>('crisp', 'rough', 'soft'),
      backed: fc.boolean(),
    });
    const anyBorder = fc.constantFrom(border(true), border(false), border(null), border(null, false));
    fc.assert(
      fc.property(
        fc.array(anyEdge, { maxLength: 12 }),
        fc.tuple(anyBorder, anyBorder, anyBorder, anyBorder),
        fc.constantFrom(...PULL_TIMINGS),
        fc.nat(5),
        (edges, borders, timing, large) => {
          const { lines, backings, covers } = pulledFirst(
            borders,
            edges,
            () => timing,
            (area) => area === large,
          );
          for (const line of lines) {
            const over = line.backed && isBackingOver(borders[line.border]!, line.closed, timing);
            expect(backings.has(line)).toBe(over);
            // What hangs from the line tape, or from a backing over it, comes off too.
            if (over || !line.backed) expect(covers.has(line.closed)).toBe(true);
          }
          for (const backing of backings) expect(lines.has(backing)).toBe(true);
        },
      ),
    );
  });
});
