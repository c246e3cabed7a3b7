// Sample parts for tests.
import { arrange, type Arrangement } from '../areas';
import { type PartShape, type ResolvedLine, type SetOut, setOutParts, type TrimLine } from '../lines';
import type { Datum, Surface } from '../surface';

/** The datum of sample parts: from 0, 0 to the right. */
export const BASE: Datum = { id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 };

/** A flat part 1000 × 500. */
export const BOARD: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 1000, height: 500 } };

/** A part with one datum, to be changed as a test needs. */
export const samplePart = (changes: Partial<PartShape> = {}): PartShape => ({
  id: 'part',
  name: 'Part',
  surface: BOARD,
  datums: [BASE],
  lines: [],
  ...changes,
});

/** A sample part, resolved. */
export const setOutOne = (changes: Partial<PartShape>): SetOut =>
  setOutParts([samplePart(changes)]).get('part') as SetOut;

/** Lines resolved on a surface. */
export const linesOn = (
  surface: Surface,
  lines: readonly TrimLine[],
  changes: Partial<PartShape> = {},
): readonly ResolvedLine[] => setOutOne({ surface, lines, ...changes }).lines;

/** Areas the lines make on a surface. */
export function areasOn(surface: Surface, lines: readonly TrimLine[], changes: Partial<PartShape> = {}): Arrangement {
  const { board, lines: found, openings } = setOutOne({ surface, lines, ...changes });
  return arrange({ skin: board.drawn, openings }, found);
}

/** A straight line from one measured place to another. */
export const straight = (
  id: string,
  from: readonly [number, number],
  to: readonly [number, number],
  runOn = false,
): TrimLine => ({
  kind: 'straight',
  id,
  name: id,
  runOn,
  datum: 'base',
  from: { along: from[0], above: from[1] },
  to: { along: to[0], above: to[1] },
});

/** A sweep through measured places, its ends run on. */
export const sweep = (id: string, ...points: (readonly [number, number])[]): TrimLine => ({
  kind: 'sweep',
  id,
  name: id,
  runOn: true,
  datum: 'base',
  points: points.map(([along, above]) => ({ along, above })),
});
