import { placeOf, type Datum, type Measured, type Point } from '../surface';
import { arcPath } from './arc';
import { piecesInside, runOn } from './clip';
import type { TrimLine } from './line';
import { parallelPath } from './parallel';
import { pathLength, type Path } from './path';
import { straightPath } from './straight';
import { sweepPath } from './sweep';

/** A trim line worked out on its part. */
export interface ResolvedLine {
  readonly id: string;
  /** Code on the drawing: L1, L2 … in the order of the list. */
  readonly code: string;
  /** The line as measured, before it is run on or cut at the outline; null where it cannot be laid out. */
  readonly path: Path | null;
  /** The pieces that lie on the part; distances start at 0 with the first and run on from piece to piece. */
  readonly pieces: readonly Path[];
  /** Why it cannot be laid out, in a sentence; null where it can. */
  readonly fault: string | null;
}

/** What lines are worked out on. */
export interface LineGround {
  readonly ring: readonly Point[];
  readonly datums: readonly Datum[];
}

/**
 * Works out every line of a part.
 * @param lines in the order of the list; a parallel may name any other line, before or after it
 * @returns one entry a line, in the same order; trouble is told on the line it belongs to
 */
export function resolveLines(lines: readonly TrimLine[], ground: LineGround): ResolvedLine[] {
  const paths = new Map<string, Path | string>();
  for (const line of lines) pathOf(line, lines, ground, paths, []);
  return lines.map((line, index) => {
    const path = paths.get(line.id) as Path | string;
    const code = `L${index + 1}`;
    if (typeof path === 'string') return { id: line.id, code, path: null, pieces: [], fault: path };
    const whole = line.runOn ? runOn(path, ground.ring) : { path, from: 0, to: pathLength(path) };
    const pieces = fromZero(piecesInside(whole.path, ground.ring, whole));
    const fault = pieces.length === 0 ? 'lies outside the part: nothing of it is on the surface' : null;
    return { id: line.id, code, path, pieces, fault };
  });
}

/** Counts distances from where the line first lies on the part. */
function fromZero(pieces: readonly Path[]): Path[] {
  const start = pieces.length > 0 ? pieces[0][0].at : 0;
  return pieces.map((piece) => piece.map((point) => ({ ...point, at: point.at - start })));
}

/** Path of one line, or a sentence why there is none; remembers what it found. */
function pathOf(line: TrimLine, lines: readonly TrimLine[], ground: LineGround, known: Map<string, Path | string>, asking: readonly string[]): Path | string {
  const before = known.get(line.id);
  if (before !== undefined) return before;
  const found = line.kind === 'parallel' ? parallelOf(line, lines, ground, known, asking) : measuredPath(line, ground.datums);
  known.set(line.id, found);
  return found;
}

type ParallelLine = Extract<TrimLine, { kind: 'parallel' }>;

function parallelOf(
  line: ParallelLine,
  lines: readonly TrimLine[],
  ground: LineGround,
  known: Map<string, Path | string>,
  asking: readonly string[],
): Path | string {
  if (asking.includes(line.id)) return 'is parallel to itself by way of other lines';
  const other = lines.find(({ id }) => id === line.of);
  if (!other) return 'is parallel to a line that is no longer there';
  const path = pathOf(other, lines, ground, known, [...asking, line.id]);
  if (typeof path === 'string') return `is parallel to "${other.name}", which cannot be laid out`;
  return parallelPath(path, line.offset) ?? `nothing is left of "${other.name}" at this distance: it bends tighter`;
}

function measuredPath(line: Exclude<TrimLine, ParallelLine>, datums: readonly Datum[]): Path | string {
  const datum = datums.find(({ id }) => id === line.datum);
  if (!datum) return 'is measured from a datum that is no longer there';
  const place = (measured: Measured) => placeOf(datum, measured);
  switch (line.kind) {
    case 'straight':
      return straightPath(place(line.from), place(line.to)) ?? 'starts and ends at the same place';
    case 'arc':
      return arcPath(place(line.from), place(line.through), place(line.to)) ?? 'needs three places that do not lie on one straight';
    case 'sweep':
      return sweepPath(line.points.map(place)) ?? 'has two neighbouring points at the same place';
  }
}
