import { type Path, type Point, reflectPath } from '../curves';
import { LIMITS, messageWithoutValues } from '../kit';
import { measurementOfPoint, pointOfMeasurement } from '../surface';
import { continuedLine, planeCutLine } from './across-parts';
import { withinSegmentLimit } from './budget';
import { dependencyOrder } from './dependency-order';
import { type Fillet, filletBetween } from './fillet';
import { type LineOf, sourceLines, type TrimLine } from './line';
import { type LinePaths, pathsFromMeasurements } from './line-paths';
import { isFailure, type LineMessage, type Relation } from './messages';
import { parallelOfEdge, parallelOn } from './parallel-on';
import { type PartFrame, partFrame, type PartShape } from './part-shape';
import { endOnLine } from './trim';
import { type LineObstacles, lineObstacles, trimLine } from './trim-to-part';

/** Paths of lines, across parts, each computed at most once. */
export interface LineCache {
  readonly parts: readonly PartShape[];
  readonly boards: Map<string, PartFrame>;
  readonly met: Map<string, LineObstacles>;
  readonly made: Map<string, LinePaths>;
  /** Lines being computed right now, to detect a line that depends on itself. */
  readonly asking: string[];
}

/** An empty book of some parts. */
export const newLineCache = (parts: readonly PartShape[]): LineCache => ({
  parts,
  boards: new Map(),
  met: new Map(),
  made: new Map(),
  asking: [],
});

/** Makes all lines of some parts, each after those it is made from, however long the chain of them is. */
export function makeLines(asked: readonly PartShape[], book: LineCache): void {
  const all = asked.flatMap((part) => partFrameIn(part, book).shape.lines.map((line): OwnedLine => ({ part, line })));
  for (const { part, line } of dependencyOrder(all, keyOfLine, (ownedLine) => madeFrom(ownedLine, book)))
    linePathsIn(part, line, book);
}

interface OwnedLine {
  readonly part: PartShape;
  readonly line: TrimLine;
}

const keyOfLine = ({ part, line }: OwnedLine): string => `${part.id}/${line.id}`;

/** Lines a line is based on or ends on, without missing ones. */
function madeFrom({ part, line }: OwnedLine, book: LineCache): OwnedLine[] {
  const ownLines = (partShape: PartShape, id: string): OwnedLine[] => {
    const ownLine = partFrameIn(partShape, book).shape.lines.find((other) => other.id === id);
    return ownLine ? [{ part: partShape, line: ownLine }] : [];
  };
  const there = line.kind === 'continuation' ? book.parts.find(({ id }) => id === line.part) : undefined;
  return [
    ...sourceLines(line).flatMap((id) => ownLines(part, id)),
    ...(there && line.kind === 'continuation' ? ownLines(there, line.of) : []),
  ];
}

/** A part laid out on its sheet, once. */
export function partFrameIn(part: PartShape, book: LineCache): PartFrame {
  const known = book.boards.get(part.id);
  if (known) return known;
  const board = partFrame(part, book.parts);
  book.boards.set(part.id, board);
  return board;
}

/** What the lines of a part meet, once. */
export function obstaclesIn(part: PartShape, book: LineCache): LineObstacles {
  const known = book.met.get(part.id);
  if (known) return known;
  const obstacles = lineObstacles(partFrameIn(part, book));
  book.met.set(part.id, obstacles);
  return obstacles;
}

/** Paths of one line of a part, cached. A line that is being computed is reported as circular. */
export function linePathsIn(part: PartShape, line: TrimLine, book: LineCache): LinePaths {
  const key = keyOfLine({ part, line });
  const known = book.made.get(key);
  if (known !== undefined) return known;
  if (book.asking.includes(key)) return messageWithoutValues('line.itself');
  if (book.asking.length > LIMITS.deep) return messageWithoutValues('line.itself');
  book.asking.push(key);
  const linePaths = withinSegmentLimit(ended(line, freshly(part, line, book), part, book));
  book.asking.pop();
  book.made.set(key, linePaths);
  return linePaths;
}

function freshly(part: PartShape, line: TrimLine, book: LineCache): LinePaths {
  const board = partFrameIn(part, book);
  switch (line.kind) {
    case 'parallel': {
      if (typeof line.of !== 'string') return parallelOfEdge(board.measured, line.of.edge, line.offset);
      const other = behind(part, line.of, 'parallel', book);
      return isFailure(other) ? other : parallelOn(board.measured, other.paths, line.offset, other.name);
    }
    case 'mirror':
      return mirroredLine(part, line, book);
    case 'fillet': {
      const fillet = filletIn(part, line, book);
      return isFailure(fillet) ? fillet : [fillet.path];
    }
    case 'cut':
      return planeCutLine(line, board);
    case 'continuation':
      return continuation(part, line, book);
    default:
      return pathsFromMeasurements(line, { skin: board.measured, datums: board.shape.datums });
  }
}

interface Behind {
  readonly paths: readonly Path[];
  readonly name: string;
}

/** True where a line cannot be made because it would be made from itself. */
const isCircle = ({ code }: LineMessage): boolean => code === 'line.itself' || code === 'line.of-itself';

/** Another line of the same part, or why it cannot be used. */
function behind(part: PartShape, id: string, relation: Relation, book: LineCache): Behind | LineMessage {
  const other = partFrameIn(part, book).shape.lines.find((line) => line.id === id);
  if (!other) return { code: 'line.of-gone', values: { relation } };
  const linePaths = linePathsIn(part, other, book);
  if (isFailure(linePaths))
    return isCircle(linePaths)
      ? { code: 'line.of-itself', values: { relation } }
      : { code: 'line.of-broken', values: { relation, name: other.name } };
  return { paths: linePaths, name: other.name };
}

function mirroredLine(part: PartShape, line: LineOf<'mirror'>, book: LineCache): LinePaths {
  const other = behind(part, line.of, 'mirror', book);
  if (isFailure(other)) return other;
  const datum = partFrameIn(part, book).shape.datums.find(({ id }) => id === line.datum);
  if (!datum) return messageWithoutValues('line.mirror-no-datum');
  const reflect = (place: Point): Point => {
    const { along, above } = measurementOfPoint(datum, place);
    return pointOfMeasurement(datum, { along, above: -above });
  };
  return other.paths.map((path) => reflectPath(path, reflect));
}

/**
 * A rounded corner.
 * @param restOf what is left of a line where roundings before this one have cut it
 */
export function filletIn(
  part: PartShape,
  line: LineOf<'fillet'>,
  book: LineCache,
  restOf: (id: string) => Path | null = () => null,
): Fillet | LineMessage {
  const a = behind(part, line.a, 'corner', book);
  if (isFailure(a)) return a;
  const b = behind(part, line.b, 'corner', book);
  if (isFailure(b)) return b;
  if (a.paths.length !== 1 || b.paths.length !== 1) return messageWithoutValues('line.corner-two');
  return filletBetween(
    restOf(line.a) ?? a.paths[0]!,
    restOf(line.b) ?? b.paths[0]!,
    line.radius,
    line.keepA,
    line.keepB,
  );
}

function continuation(part: PartShape, line: LineOf<'continuation'>, book: LineCache): LinePaths {
  const other = book.parts.find(({ id }) => id === line.part);
  if (!other) return messageWithoutValues('line.on-no-part');
  if (other.id === part.id) return messageWithoutValues('line.on-own-part');
  const from = partFrameIn(other, book).shape.lines.find(({ id }) => id === line.of);
  if (!from) return messageWithoutValues('line.on-no-line');
  const linePaths = linePathsIn(other, from, book);
  if (isFailure(linePaths))
    return isCircle(linePaths)
      ? messageWithoutValues('line.itself')
      : { code: 'line.on-broken', values: { name: from.name } };
  // Only the pieces of that line are needed, not the whole other part, which may depend on this one.
  const there = partFrameIn(other, book);
  const { rims } = obstaclesIn(other, book);
  const laid = linePaths.map((path) => trimLine(from, path, there, rims));
  if (laid.some(isFailure)) return { code: 'line.on-broken', values: { name: from.name } };
  const pieces = (laid as Path[][]).flat();
  const shown = there.mirrored ? pieces.map((piece) => reflectPath(piece, there.reflect)) : pieces;
  return continuedLine(line, partFrameIn(part, book), there, shown);
}

/**
 * A straight line whose own ends are being worked out, as it is measured: of four that each end on the next the last meets the first there.
 * @returns null for any other line
 */
function asMeasured(part: PartShape, id: string, book: LineCache): Behind | null {
  const other = partFrameIn(part, book).shape.lines.find((line) => line.id === id);
  if (other?.kind !== 'straight' || !book.asking.includes(keyOfLine({ part, line: other }))) return null;
  const paths = freshly(part, other, book);
  return isFailure(paths) ? null : { paths, name: other.name };
}

/** Stops the ends of a line on the lines it ends on. */
function ended(line: TrimLine, linePaths: LinePaths, part: PartShape, book: LineCache): LinePaths {
  if (isFailure(linePaths) || (!line.startOn && !line.endOn)) return linePaths;
  let paths: readonly Path[] = linePaths;
  for (const end of ['start', 'end'] as const) {
    const id = end === 'start' ? line.startOn : line.endOn;
    if (!id) continue;
    const target = asMeasured(part, id, book) ?? behind(part, id, 'ends-on', book);
    if (isFailure(target)) return target;
    const cut = paths.map((path) => endOnLine(path, end, target.paths, partFrameIn(part, book).measured));
    if (cut.some((path) => path === null)) return { code: 'line.no-meeting', values: { name: target.name } };
    paths = cut as Path[];
  }
  return paths;
}
