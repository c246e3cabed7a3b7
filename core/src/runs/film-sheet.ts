import { boundingBox, type Point } from '../curves';
import { type LineId, type PartId, RULE_OF_THUMB } from '../kit';
import type { Tape } from '../tape';

/** One film that several shapes of a line are cut from, such as the letters of a marking. */
export interface FilmSheet {
  /** Line of the list the shapes belong to, and its code. */
  readonly owner: LineId;
  readonly code: string;
  readonly film: Tape;
  /** Shapes whose surroundings it covers, and pieces that lie within them. */
  readonly shapes: number;
  readonly inner: number;
  /** Round all of them, without the margin. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Film off the roll. */
  readonly lengthMm: number;
}

/** A shape that is cut from film. */
export interface CutShape {
  readonly part: PartId;
  readonly owner: LineId;
  readonly code: string;
  readonly piece: readonly Point[];
  /** True where the piece itself covers. */
  readonly inside: boolean;
}

/**
 * One film for all shapes of one line that are cut: they keep their places to one another.
 * @param shapes of one line of one part
 * @returns null for a single shape, and where no film on the shelf is wide enough for them together
 */
export function filmSheetFor(shapes: readonly CutShape[], films: readonly Tape[]): FilmSheet | null {
  const [first] = shapes;
  if (!first || shapes.length < 2) return null;
  const { minX, minY, maxX, maxY } = boundingBox(shapes.flatMap(({ piece }) => piece));
  const margin = 2 * RULE_OF_THUMB.cutMargin;
  const [widthMm, heightMm] = [maxX - minX, maxY - minY];
  const [short, long] = widthMm < heightMm ? [widthMm, heightMm] : [heightMm, widthMm];
  const film = films
    .filter(({ kind, widthMm: wide }) => kind === 'T' && wide >= short + margin)
    .sort((a, b) => a.widthMm - b.widthMm)[0];
  if (!film) return null;
  const inner = shapes.filter(({ inside }) => inside).length;
  return {
    owner: first.owner,
    code: first.code,
    film,
    shapes: shapes.length - inner,
    inner,
    widthMm,
    heightMm,
    lengthMm: long + margin,
  };
}
