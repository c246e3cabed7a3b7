import { type Path, pathsWithin, straightPath } from '../curves';
import type { ResolvedLine } from '../lines';
import { SHIPPED_TAPES } from '../tape';
import { areasOn, BOARD, linesOn, straight } from '../testing/samples';
import { coveringTapeMm, depthBehindLines, roomBeside, widestAlong } from './room';

const SKIN = { folds: [], seam: null, metric: null };
const WIDTHS = [3, 6, 9, 12, 18, 19, 24];

/** A board of 1000 × 500 with two lines across it; its areas from the top down. */
const board = (low: readonly [number, number], high: readonly [number, number]) => {
  const lines = [straight('low', [0, low[0]], [1000, low[1]]), straight('high', [0, high[0]], [1000, high[1]])];
  return { arrangement: areasOn(BOARD, lines), lines: linesOn(BOARD, lines) as ResolvedLine[], skin: SKIN };
};
const pieceOf = (part: ReturnType<typeof board>, id: string): Path =>
  pathsWithin(part.lines.find((line) => line.id === id)!.pieces, 0, 1000)[0]!;

describe('room beside a run', () => {
  const strip = board([200, 200], [210, 210]);
  it('ends at what is painted beyond what is covered, and nowhere else', () => {
    const room = (painted: readonly boolean[]) => roomBeside(strip, painted, pieceOf(strip, 'low'), 'left', WIDTHS);
    expect(room([true, false, true])).toBe(9);
    // What is covered too is no limit, nor is the edge of the board.
    expect(room([false, false, true])).toBe(Infinity);
    const edge = board([10, 10], [300, 300]);
    expect(roomBeside(edge, [true, true, false], pieceOf(edge, 'low'), 'right', WIDTHS)).toBe(Infinity);
  });
  it('is that of nine tenths of the run where the lines taper', () => {
    const wedge = board([200, 200], [200.5, 220]);
    expect(roomBeside(wedge, [true, false, true], pieceOf(wedge, 'low'), 'left', WIDTHS)).toBe(0);
    const mild = board([200, 200], [212.5, 240]);
    expect(roomBeside(mild, [true, false, true], pieceOf(mild, 'low'), 'left', WIDTHS)).toBe(12);
  });
  it('begins where the tape does', () =>
    expect(roomBeside(strip, [true, false, true], pieceOf(strip, 'low'), 'left', WIDTHS, 3)).toBe(9));
});

describe('depth of an area behind its lines', () => {
  it('is half the width of a strip, and all of it beside a free edge', () => {
    expect(depthBehindLines(board([200, 200], [220, 220]), 1)).toBeCloseTo(10, 6);
    // Lines laid over it meet its far edge nowhere exactly: the middles are half its depth away.
    expect(depthBehindLines(board([12, 12], [300, 300]), 2)).toBeGreaterThan(5);
    expect(depthBehindLines(board([12, 12], [300, 300]), 2)).toBeLessThanOrEqual(12);
  });
  it('is covered by tapes up to twice the widest, less the lap', () => {
    const wide = (mm: number) => coveringTapeMm(board([200, 200], [200 + mm, 200 + mm]), 1, SHIPPED_TAPES, 1);
    expect(wide(20)).toBeCloseTo(11, 6);
    expect(wide(36)).toBeCloseTo(19, 6);
    expect(wide(37)).toBeNull();
    expect(wide(200)).toBeNull();
  });
});

it('the widest tape along a line is that which makes its bends', () => {
  const flat = straightPath({ x: 0, y: 0 }, { x: 500, y: 0 })!;
  expect(widestAlong(SHIPPED_TAPES, flat, 'left')).toBe(19);
  const bent = flat.map((point) => ({ ...point, curvature: 1 / 60 }));
  const tight = widestAlong(SHIPPED_TAPES, bent, 'left');
  expect(tight).toBeGreaterThan(0);
  expect(tight).toBeLessThan(19);
});
