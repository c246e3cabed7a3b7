import { measureFrom, placedFeatures, placeOf, type PlacedFeature, type Point } from '../surface';
import { MOST } from '../units';
import { continuedLine, cutLine } from './across-parts';
import { featureCrossings, openingRings, type FeatureCrossing } from './features-met';
import { filletBetween } from './fillet';
import { bounded, newBudget, takenFrom, withinBudget, type Budget } from './budget';
import { linesBehind, type LineOf, type TrimLine } from './line';
import { makingOrder } from './making-order';
import { madeFromMeasures, runsOn, type Made } from './made';
import { onTrueSurface } from './on-surface';
import { parallelOn, parallelOfEdge } from './parallel-on';
import { boardOf, followedBy, type PartBoard, type PartShape } from './part-shape';
import { reflectedPath, type Path } from './path';
import { connectedTo, endedOn, groundOf, piecesInside, runOn, type Ground } from './trim';
import { timesRound, wrapped } from './wrap';

/** A trim line worked out on its part. A line of several strokes, such as bands or letters, comes as several of these. */
export interface ResolvedLine {
  readonly id: string;
  /** The line in the list it comes from. */
  readonly owner: string;
  /** Code on the drawing: L1, L2 … in the order of the list; strokes of one line add a letter. */
  readonly code: string;
  /** The line as measured, before it is run on or cut at the outline; null where it cannot be laid out. */
  readonly path: Path | null;
  /** The pieces that lie on the part; distances start at 0 with the first and run on from piece to piece. */
  readonly pieces: readonly Path[];
  /** Features it meets, in order along it. */
  readonly crosses: readonly FeatureCrossing[];
  /** Why it cannot be laid out, in a sentence; null where it can. */
  readonly fault: string | null;
}

/** A part with all its lines worked out. */
export interface SetOut {
  readonly board: PartBoard;
  readonly lines: readonly ResolvedLine[];
  readonly features: readonly PlacedFeature[];
  /** Rims of the openings, where they lie on the sheet as drawn. */
  readonly openings: Openings;
}

type Openings = readonly (readonly Point[])[];

/** Works lines out one after another, each at most once, across parts. */
interface Book {
  readonly parts: readonly PartShape[];
  readonly boards: Map<string, PartBoard>;
  readonly made: Map<string, Made>;
  readonly setOut: Map<string, SetOut>;
  /** Lines being worked out right now, so that a line made from itself is found. */
  readonly asking: string[];
}

/**
 * Works out every line of every part.
 * @param parts a line may be made from any other of its part, before or after it, and from lines of other parts
 * @param wanted ids of the parts that are asked for; all of them unless said otherwise
 * @returns by part; trouble is told on the line it belongs to
 */
export function setOutParts(parts: readonly PartShape[], wanted?: readonly string[]): ReadonlyMap<string, SetOut> {
  const book: Book = { parts, boards: new Map(), made: new Map(), setOut: new Map(), asking: [] };
  const asked = parts.filter((part) => !wanted || wanted.includes(part.id));
  // Lines are made before those made from them, however long the chain of them is.
  const all = asked.flatMap((part) => boardIn(part, book).shape.lines.map((line): OwnedLine => ({ part, line })));
  for (const { part, line } of makingOrder(all, keyOfLine, (one) => madeFrom(one, book))) madeIn(part, line, book);
  for (const part of asked) setOutPart(part, book);
  return book.setOut;
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

function boardIn(part: PartShape, book: Book): PartBoard {
  const known = book.boards.get(part.id);
  if (known) return known;
  const board = boardOf(part, book.parts);
  book.boards.set(part.id, board);
  return board;
}

function setOutPart(part: PartShape, book: Book): SetOut {
  const known = book.setOut.get(part.id);
  if (known) return known;
  const board = boardIn(part, book);
  const { shape, mirrored } = board;
  const source = followedBy(part, book.parts);
  if (source && !source.opposite) return mirrorOf(setOutPart(source, book), part, board, book);
  const { features, openings, ground } = groundFor(board);
  const rounded = cornersRounded(part, board, book);
  const spent = newBudget();
  const lines = shape.lines.flatMap((line, index) =>
    resolved(line, `L${index + 1}`, rounded.get(line.id) ?? { made: madeIn(part, line, book), held: NONE_HELD }, board, ground, features, spent),
  );
  const own: SetOut = { board, lines, features, openings };
  const found = mirrored ? reflectedSetOut(own, board) : own;
  book.setOut.set(part.id, found);
  return found;
}

/** What lines of a part meet: its features, its openings, and where lines may lie. */
function groundFor({ shape, measured }: PartBoard): { readonly features: readonly PlacedFeature[]; readonly openings: Openings; readonly ground: Ground } {
  const features = withinBudget(placedFeatures(shape.features ?? [], shape.datums));
  const openings = openingRings(features, measured);
  return { features, openings, ground: groundOf(measured, openings) };
}

/** A part that follows another is that one, reflected. */
function mirrorOf(source: SetOut, part: PartShape, board: PartBoard, book: Book): SetOut {
  const found = reflectedSetOut(source, board);
  book.setOut.set(part.id, found);
  return found;
}

function reflectedSetOut({ lines, features, openings }: SetOut, board: PartBoard): SetOut {
  const { reflect } = board;
  const turned = (points: readonly Point[]) => points.map(reflect).reverse();
  return {
    board,
    lines: lines.map((line) => reflectedLine(line, reflect)),
    features: features.map((feature) => ({
      ...feature,
      ring: feature.ring && turned(feature.ring),
      row: feature.row && ([reflect(feature.row[0]), reflect(feature.row[1])] as const),
    })),
    openings: openings.map(turned),
  };
}

const reflectedLine = (line: ResolvedLine, reflect: (place: Point) => Point): ResolvedLine => ({
  ...line,
  path: line.path && reflectedPath(line.path, reflect),
  pieces: line.pieces.map((piece) => reflectedPath(piece, reflect)),
});

/** Letters of strokes: a … z, then aa, ab … */
const strokeLetter = (index: number): string =>
  index < 26 ? String.fromCharCode(97 + index) : strokeLetter(Math.floor(index / 26) - 1) + strokeLetter(index % 26);

function resolved(
  line: TrimLine,
  code: string,
  { made, held }: Rest,
  board: PartBoard,
  ground: Ground,
  features: readonly PlacedFeature[],
  spent: Budget,
): ResolvedLine[] {
  const common = { id: line.id, owner: line.id, code, path: null, pieces: [], crosses: [] };
  if (typeof made === 'string') return [{ ...common, fault: made }];
  const tooMuch = takenFrom(spent, made);
  if (tooMuch) return [{ ...common, fault: tooMuch }];
  const laid = made.map((path) => laidDown(line, path, board, ground, held));
  const trouble = laid.find((pieces) => typeof pieces === 'string');
  if (typeof trouble === 'string') return [{ ...common, fault: trouble }];
  const strokes = made.map((path, index): ResolvedLine => {
    const several = made.length > 1;
    const pieces = laid[index] as Path[];
    return {
      id: several ? `${line.id}.${index + 1}` : line.id,
      owner: line.id,
      code: several ? `${code}${strokeLetter(index)}` : code,
      path: onTrueSurface(path, board.measured),
      pieces,
      crosses: featureCrossings(pieces, features),
      fault: null,
    };
  });
  const onPart = strokes.filter(({ pieces }) => pieces.length > 0);
  return onPart.length > 0 ? onPart : [{ ...common, path: strokes[0]?.path ?? null, fault: 'lies outside the part: nothing of it is on the surface' }];
}

/**
 * Runs a line on, cuts it at seam, rim and openings, and counts distances from where it first lies on the part.
 * @returns a sentence where it goes round more often than is worked out
 */
function laidDown(line: TrimLine, path: Path, { measured }: PartBoard, ground: Ground, held: Held = NONE_HELD): Path[] | string {
  const on = runsOn(line);
  const longer = runOn(path, measured, { start: on && !line.startOn && !held.start, end: on && !line.endOn && !held.end });
  const whole = onTrueSurface(longer.path, measured);
  // The edge of a band is measured at one place, which may itself lie beside the part: all of it counts.
  const all = line.kind === 'bands';
  const span = { from: whole[all ? 0 : longer.before].at, to: whole[whole.length - 1 - (all ? 0 : longer.after)].at };
  const turns = Math.ceil(timesRound(whole, measured));
  if (turns > MOST.turns) return `goes round ${turns} times: the most is ${MOST.turns}`;
  const pieces = wrapped(whole, measured).flatMap((piece) => piecesInside(piece, ground));
  const reached = connectedTo(pieces, span);
  const start = reached[0]?.[0].at ?? 0;
  return reached.map((piece) => piece.map((point) => ({ ...point, at: point.at - start })));
}

/** Paths of one line of a part, remembered; lines under way are known, so that none is made from itself. */
function madeIn(part: PartShape, line: TrimLine, book: Book): Made {
  const key = keyOfLine({ part, line });
  const known = book.made.get(key);
  if (known !== undefined) return known;
  if (book.asking.includes(key)) return 'is made from itself by way of other lines';
  if (book.asking.length > MOST.deep) return 'is made from itself by way of other lines';
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
      const other = behind(part, line.of, 'is parallel to', book);
      return typeof other === 'string' ? other : parallelOn(board.measured, other.paths, line.offset, other.name);
    }
    case 'mirror':
      return mirroredLine(part, line, book);
    case 'fillet': {
      const fillet = filletIn(part, line, book);
      return typeof fillet === 'string' ? fillet : [fillet.path];
    }
    case 'cut':
      return cutLine(line, board);
    case 'continuation':
      return continuation(part, line, book);
    default:
      return madeFromMeasures(line, { sheet: board.measured, datums: board.shape.datums });
  }
}

/** Another line of the same part, or a sentence why it cannot be used. */
function behind(part: PartShape, id: string, says: string, book: Book): { readonly paths: readonly Path[]; readonly name: string } | string {
  const other = boardIn(part, book).shape.lines.find((one) => one.id === id);
  if (!other) return `${says} a line that is no longer there`;
  const made = madeIn(part, other, book);
  if (typeof made === 'string') return /itself/.test(made) ? `${says} itself by way of other lines` : `${says} "${other.name}", which cannot be laid out`;
  return { paths: made, name: other.name };
}

function mirroredLine(part: PartShape, line: LineOf<'mirror'>, book: Book): Made {
  const other = behind(part, line.of, 'is the mirror of', book);
  if (typeof other === 'string') return other;
  const datum = boardIn(part, book).shape.datums.find(({ id }) => id === line.datum);
  if (!datum) return 'is mirrored about a datum that is no longer there';
  const reflect = (place: Point): Point => {
    const { along, above } = measureFrom(datum, place);
    return placeOf(datum, { along, above: -above });
  };
  return other.paths.map((path) => reflectedPath(path, reflect));
}

/** A rounded corner; where roundings before it have left less of its lines, made on that. */
function filletIn(part: PartShape, line: LineOf<'fillet'>, book: Book, left?: ReadonlyMap<string, Rest>) {
  const a = behind(part, line.a, 'rounds a corner with', book);
  if (typeof a === 'string') return a;
  const b = behind(part, line.b, 'rounds a corner with', book);
  if (typeof b === 'string') return b;
  if (a.paths.length !== 1 || b.paths.length !== 1) return 'rounds the corner of two single lines, not of bands or letters';
  const now = (id: string, path: Path): Path => {
    const rest = left?.get(id)?.made;
    return typeof rest === 'object' ? rest[0] : path;
  };
  return filletBetween(now(line.a, a.paths[0]), now(line.b, b.paths[0]), line.radius, line.keepA, line.keepB);
}

/** What rounded corners have left of a line, and which of its ends lie at one and do not run on. */
interface Rest {
  readonly made: Made;
  readonly held: Held;
}
interface Held {
  readonly start: boolean;
  readonly end: boolean;
}
const NONE_HELD: Held = { start: false, end: false };

/**
 * Lines whose corners are rounded keep only what is left of them. Roundings are made one after another, each on what those before it
 * have left: a line with one at both ends is cut at both.
 */
function cornersRounded(part: PartShape, board: PartBoard, book: Book): Map<string, Rest> {
  const left = new Map<string, Rest>();
  for (const line of board.shape.lines) {
    if (line.kind !== 'fillet') continue;
    // What cannot be rounded at all says so by itself.
    if (typeof filletIn(part, line, book) === 'string') continue;
    const fillet = filletIn(part, line, book, left);
    if (typeof fillet === 'string') {
      left.set(line.id, { made: 'has no room beside the other rounded corners of its lines', held: NONE_HELD });
      continue;
    }
    left.set(line.id, { made: [fillet.path], held: NONE_HELD });
    for (const [id, path, keep] of [
      [line.a, fillet.a, line.keepA],
      [line.b, fillet.b, line.keepB],
    ] as const)
      left.set(id, { made: [path], held: { ...(left.get(id)?.held ?? NONE_HELD), [keep === 'end' ? 'start' : 'end']: true } });
  }
  return left;
}

function continuation(part: PartShape, line: LineOf<'continuation'>, book: Book): Made {
  const other = book.parts.find(({ id }) => id === line.part);
  if (!other) return 'goes on from a part that is no longer there';
  if (other.id === part.id) return 'goes on from its own part: choose another';
  const from = boardIn(other, book).shape.lines.find(({ id }) => id === line.of);
  if (!from) return 'goes on from a line that is no longer there';
  const made = madeIn(other, from, book);
  if (typeof made === 'string')
    return /itself/.test(made) ? 'is made from itself by way of other lines' : `goes on from "${from.name}", which cannot be laid out`;
  // Only its own pieces are needed, not the whole other part, which may in turn go on from here.
  const there = boardIn(other, book);
  const { ground } = groundFor(there);
  const laid = made.map((path) => laidDown(from, path, there, ground));
  if (laid.some((one) => typeof one === 'string')) return `goes on from "${from.name}", which cannot be laid out`;
  const pieces = (laid as Path[][]).flat();
  const shown = there.mirrored ? pieces.map((piece) => reflectedPath(piece, there.reflect)) : pieces;
  return continuedLine(line, boardIn(part, book), there, shown);
}

/** Stops the ends of a line on the lines it ends on. */
function ended(line: TrimLine, made: Made, part: PartShape, book: Book): Made {
  if (typeof made === 'string' || (!line.startOn && !line.endOn)) return made;
  let paths: readonly Path[] = made;
  for (const end of ['start', 'end'] as const) {
    const id = end === 'start' ? line.startOn : line.endOn;
    if (!id) continue;
    const target = behind(part, id, 'ends on', book);
    if (typeof target === 'string') return target;
    const cut = paths.map((path) => endedOn(path, end, target.paths, boardIn(part, book).measured));
    if (cut.some((path) => path === null)) return `is to end on "${target.name}", which it does not meet`;
    paths = cut as Path[];
  }
  return paths;
}
