import { type Point, reflectedPath, type Path } from '../curves';
import { measureFrom, placeOf } from '../surface';
import { MOST, plainly } from '../units';
import { continuedLine, cutLine } from './across-parts';
import { bounded } from './budget';
import { filletBetween, type Fillet } from './fillet';
import { whatLinesMeet, laidDown, type WhatLinesMeet } from './laid-down';
import { linesBehind, type LineOf, type TrimLine } from './line';
import { madeFromMeasures, type Made } from './made';
import { makingOrder } from './making-order';
import { parallelOn, parallelOfEdge } from './parallel-on';
import { boardOf, type PartBoard, type PartShape } from './part-shape';
import { isTrouble, type LineSaid, type Relation } from './says';
import { endedOn } from './trim';

/** Lines as they are made, one from another and across parts, each at most once. */
export interface Book {
  readonly parts: readonly PartShape[];
  readonly boards: Map<string, PartBoard>;
  readonly met: Map<string, WhatLinesMeet>;
  readonly made: Map<string, Made>;
  /** Lines being worked out right now, so that a line made from itself is found. */
  readonly asking: string[];
}

/** An empty book of some parts. */
export const bookOf = (parts: readonly PartShape[]): Book => ({ parts, boards: new Map(), met: new Map(), made: new Map(), asking: [] });

/** Makes all lines of some parts, each after those it is made from, however long the chain of them is. */
export function makeLines(asked: readonly PartShape[], book: Book): void {
  const all = asked.flatMap((part) => boardIn(part, book).shape.lines.map((line): OwnedLine => ({ part, line })));
  for (const { part, line } of makingOrder(all, keyOfLine, (one) => madeFrom(one, book))) madeIn(part, line, book);
}

interface OwnedLine {
  readonly part: PartShape;
  readonly line: TrimLine;
}

const keyOfLine = ({ part, line }: OwnedLine): string => `${part.id}/${line.id}`;

/** Lines a line is made from or ends on; those that are gone are left out. */
function madeFrom({ part, line }: OwnedLine, book: Book): OwnedLine[] {
  const own = (of: PartShape, id: string): OwnedLine[] => {
    const found = boardIn(of, book).shape.lines.find((one) => one.id === id);
    return found ? [{ part: of, line: found }] : [];
  };
  const there = line.kind === 'continuation' ? book.parts.find(({ id }) => id === line.part) : undefined;
  return [...linesBehind(line).flatMap((id) => own(part, id)), ...(there && line.kind === 'continuation' ? own(there, line.of) : [])];
}

/** A part laid out on its sheet, once. */
export function boardIn(part: PartShape, book: Book): PartBoard {
  const known = book.boards.get(part.id);
  if (known) return known;
  const board = boardOf(part, book.parts);
  book.boards.set(part.id, board);
  return board;
}

/** What the lines of a part meet, once. */
export function metIn(part: PartShape, book: Book): WhatLinesMeet {
  const known = book.met.get(part.id);
  if (known) return known;
  const found = whatLinesMeet(boardIn(part, book));
  book.met.set(part.id, found);
  return found;
}

/** Paths of one line of a part, remembered; lines under way are known, so that none is made from itself. */
export function madeIn(part: PartShape, line: TrimLine, book: Book): Made {
  const key = keyOfLine({ part, line });
  const known = book.made.get(key);
  if (known !== undefined) return known;
  if (book.asking.includes(key)) return plainly('line.itself');
  if (book.asking.length > MOST.deep) return plainly('line.itself');
  book.asking.push(key);
  const made = bounded(ended(line, freshly(part, line, book), part, book));
  book.asking.pop();
  book.made.set(key, made);
  return made;
}

function freshly(part: PartShape, line: TrimLine, book: Book): Made {
  const board = boardIn(part, book);
  switch (line.kind) {
    case 'parallel': {
      if (typeof line.of !== 'string') return parallelOfEdge(board.measured, line.of.edge, line.offset);
      const other = behind(part, line.of, 'parallel', book);
      return isTrouble(other) ? other : parallelOn(board.measured, other.paths, line.offset, other.name);
    }
    case 'mirror':
      return mirroredLine(part, line, book);
    case 'fillet': {
      const fillet = filletIn(part, line, book);
      return isTrouble(fillet) ? fillet : [fillet.path];
    }
    case 'cut':
      return cutLine(line, board);
    case 'continuation':
      return continuation(part, line, book);
    default:
      return madeFromMeasures(line, { skin: board.measured, datums: board.shape.datums });
  }
}

interface Behind {
  readonly paths: readonly Path[];
  readonly name: string;
}

/** True where a line cannot be made because it would be made from itself. */
const isCircle = ({ code }: LineSaid): boolean => code === 'line.itself' || code === 'line.of-itself';

/** Another line of the same part, or why it cannot be used. */
function behind(part: PartShape, id: string, relation: Relation, book: Book): Behind | LineSaid {
  const other = boardIn(part, book).shape.lines.find((one) => one.id === id);
  if (!other) return { code: 'line.of-gone', values: { relation } };
  const made = madeIn(part, other, book);
  if (isTrouble(made))
    return isCircle(made) ? { code: 'line.of-itself', values: { relation } } : { code: 'line.of-broken', values: { relation, name: other.name } };
  return { paths: made, name: other.name };
}

function mirroredLine(part: PartShape, line: LineOf<'mirror'>, book: Book): Made {
  const other = behind(part, line.of, 'mirror', book);
  if (isTrouble(other)) return other;
  const datum = boardIn(part, book).shape.datums.find(({ id }) => id === line.datum);
  if (!datum) return plainly('line.mirror-no-datum');
  const reflect = (place: Point): Point => {
    const { along, above } = measureFrom(datum, place);
    return placeOf(datum, { along, above: -above });
  };
  return other.paths.map((path) => reflectedPath(path, reflect));
}

/**
 * A rounded corner.
 * @param restOf what is left of a line where roundings before this one have cut it
 */
export function filletIn(part: PartShape, line: LineOf<'fillet'>, book: Book, restOf: (id: string) => Path | null = () => null): Fillet | LineSaid {
  const a = behind(part, line.a, 'corner', book);
  if (isTrouble(a)) return a;
  const b = behind(part, line.b, 'corner', book);
  if (isTrouble(b)) return b;
  if (a.paths.length !== 1 || b.paths.length !== 1) return plainly('line.corner-two');
  return filletBetween(restOf(line.a) ?? a.paths[0]!, restOf(line.b) ?? b.paths[0]!, line.radius, line.keepA, line.keepB);
}

function continuation(part: PartShape, line: LineOf<'continuation'>, book: Book): Made {
  const other = book.parts.find(({ id }) => id === line.part);
  if (!other) return plainly('line.on-no-part');
  if (other.id === part.id) return plainly('line.on-own-part');
  const from = boardIn(other, book).shape.lines.find(({ id }) => id === line.of);
  if (!from) return plainly('line.on-no-line');
  const made = madeIn(other, from, book);
  if (isTrouble(made)) return isCircle(made) ? plainly('line.itself') : { code: 'line.on-broken', values: { name: from.name } };
  // Only its own pieces are needed, not the whole other part, which may in turn go on from here.
  const there = boardIn(other, book);
  const { rims } = metIn(other, book);
  const laid = made.map((path) => laidDown(from, path, there, rims));
  if (laid.some(isTrouble)) return { code: 'line.on-broken', values: { name: from.name } };
  const pieces = (laid as Path[][]).flat();
  const shown = there.mirrored ? pieces.map((piece) => reflectedPath(piece, there.reflect)) : pieces;
  return continuedLine(line, boardIn(part, book), there, shown);
}

/** Stops the ends of a line on the lines it ends on. */
function ended(line: TrimLine, made: Made, part: PartShape, book: Book): Made {
  if (isTrouble(made) || (!line.startOn && !line.endOn)) return made;
  let paths: readonly Path[] = made;
  for (const end of ['start', 'end'] as const) {
    const id = end === 'start' ? line.startOn : line.endOn;
    if (!id) continue;
    const target = behind(part, id, 'ends-on', book);
    if (isTrouble(target)) return target;
    const cut = paths.map((path) => endedOn(path, end, target.paths, boardIn(part, book).measured));
    if (cut.some((path) => path === null)) return { code: 'line.no-meeting', values: { name: target.name } };
    paths = cut as Path[];
  }
  return paths;
}
