import { type Path, type Point, reflectPath } from '../curves';
import { type LineId, messageWithoutValues } from '../kit';
import type { PlacedFeature } from '../surface';
import { type Budget, newBudget, spendBudget } from './budget';
import { type FeatureCrossing, featureCrossings } from './features-met';
import { lineCode, type TrimLine } from './line';
import { type LineCache, linePathsIn, makeLines, newLineCache, obstaclesIn, partFrameIn } from './line-cache';
import { isFailure, type LineMessage } from './messages';
import { withTrueMetric } from './on-surface';
import { mirroredPart, type PartFrame, type PartShape } from './part-shape';
import { type LineRemainder, roundCorners } from './rounded-corners';
import { type LineObstacles, NO_HELD_ENDS, trimLine } from './trim-to-part';

/** A trim line resolved on its part. A line with several strokes, such as bands or letters, becomes several of these. */
export interface ResolvedLine {
  readonly id: string;
  /** The line in the list it comes from. */
  readonly owner: LineId;
  /** Code on the drawing: L1, L2 … in the order of the list; strokes of one line add a letter. */
  readonly code: string;
  /** The line as measured, before it is run on or cut at the outline; null where it cannot be laid out. */
  readonly path: Path | null;
  /** The pieces that lie on the part; distances start at 0 with the first and run on from piece to piece. */
  readonly pieces: readonly Path[];
  /** Features it meets, in order along it. */
  readonly crosses: readonly FeatureCrossing[];
  /** Why it cannot be laid out, in a sentence; null where it can. */
  readonly fault: LineMessage | null;
}

/** A part with all its lines resolved. */
export interface SetOut {
  readonly board: PartFrame;
  readonly lines: readonly ResolvedLine[];
  readonly features: readonly PlacedFeature[];
  /** Outlines of the openings on the sheet as drawn. */
  readonly openings: LineObstacles['openings'];
}

/**
 * Resolves the lines of parts.
 * @param parts a line may depend on any other line of its part, and on lines of other parts
 * @param wanted ids of the parts needed; default: all
 * @returns by part; a failure is reported on its line
 */
export function setOutParts(parts: readonly PartShape[], wanted?: readonly string[]): ReadonlyMap<string, SetOut> {
  const book = newLineCache(parts);
  const setOut = new Map<string, SetOut>();
  const asked = parts.filter((part) => !wanted || wanted.includes(part.id));
  makeLines(asked, book);
  for (const part of asked) setOutPart(part, book, setOut);
  return setOut;
}

function setOutPart(part: PartShape, book: LineCache, setOut: Map<string, SetOut>): SetOut {
  const known = setOut.get(part.id);
  if (known) return known;
  const result = freshlySetOut(part, book, setOut);
  setOut.set(part.id, result);
  return result;
}

function freshlySetOut(part: PartShape, book: LineCache, setOut: Map<string, SetOut>): SetOut {
  const board = partFrameIn(part, book);
  const source = mirroredPart(part, book.parts);
  // A part that follows another is that one, reflected.
  if (source && !source.opposite) return reflectedSetOut(setOutPart(source, book, setOut), board);
  const met = obstaclesIn(part, book);
  const rounded = roundCorners(part, book);
  const spent = newBudget();
  const lines = board.shape.lines.flatMap((line, index) =>
    resolved(
      line,
      lineCode(index),
      rounded.get(line.id) ?? { made: linePathsIn(part, line, book), held: NO_HELD_ENDS },
      board,
      met,
      spent,
    ),
  );
  const ownSetOut: SetOut = { board, lines, features: met.features, openings: met.openings };
  return board.mirrored ? reflectedSetOut(ownSetOut, board) : ownSetOut;
}

function reflectedSetOut({ lines, features, openings }: SetOut, board: PartFrame): SetOut {
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
  path: line.path && reflectPath(line.path, reflect),
  pieces: line.pieces.map((piece) => reflectPath(piece, reflect)),
});

/** Letters of strokes: a … z, then aa, ab … */
const strokeLetter = (index: number): string =>
  index < 26 ? String.fromCharCode(97 + index) : strokeLetter(Math.floor(index / 26) - 1) + strokeLetter(index % 26);

function resolved(
  line: TrimLine,
  code: string,
  { made, held }: LineRemainder,
  board: PartFrame,
  { rims, features }: LineObstacles,
  spent: Budget,
): ResolvedLine[] {
  const common = { id: line.id, owner: line.id, code, path: null, pieces: [], crosses: [] };
  if (isFailure(made)) return [{ ...common, fault: made }];
  const tooMuch = spendBudget(spent, made);
  if (tooMuch) return [{ ...common, fault: tooMuch }];
  const laid = made.map((path) => trimLine(line, path, board, rims, held));
  const trouble = laid.find(isFailure);
  if (trouble) return [{ ...common, fault: trouble }];
  const strokes = made.map((path, index): ResolvedLine => {
    const several = made.length > 1;
    const pieces = laid[index] as Path[];
    return {
      id: several ? `${line.id}.${index + 1}` : line.id,
      owner: line.id,
      code: several ? `${code}${strokeLetter(index)}` : code,
      path: withTrueMetric(path, board.measured),
      pieces,
      crosses: featureCrossings(pieces, features),
      fault: null,
    };
  });
  const onPart = strokes.filter(({ pieces }) => pieces.length > 0);
  return onPart.length > 0
    ? onPart
    : [{ ...common, path: strokes[0]?.path ?? null, fault: messageWithoutValues('line.outside') }];
}
