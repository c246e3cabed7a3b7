import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { Place } from '../curves';
import { TOLERANCE } from '../kit';

/** A flat piece to be cut, its lower left at 0, 0. */
export interface CutPiece {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Lines the blade follows. */
  readonly cuts: readonly (readonly Place[])[];
}

/** A piece where it lies on the sheet. */
interface NestedPiece extends CutPiece {
  readonly x: number;
  readonly y: number;
}

/** Pieces laid out on a sheet or a roll. */
export interface Nesting {
  readonly widthMm: number;
  /** How much of the sheet they take along it. */
  readonly lengthMm: number;
  readonly pieces: readonly NestedPiece[];
  /** Names of those that are too large for it. */
  readonly tooLarge: readonly string[];
}

/** Between two pieces, and round all of them, mm. */
const GAP_MM = 5;
/** A tenth of a millimetre is fine enough to lay pieces side by side: the packer counts in whole numbers. */
const STEPS_PER_MM = 10;

/**
 * Lays pieces out on film of a width, turned where that saves some, as short as the packer finds it.
 * @param lengthMm how long the sheet is; Infinity for a roll
 */
export function nestPieces(pieces: readonly CutPiece[], widthMm: number, lengthMm = Infinity): Nesting {
  const most = Math.min(lengthMm, 1e6);
  const fits = pieces.map((piece) => turnedToFit(piece, widthMm - 2 * GAP_MM, most - 2 * GAP_MM));
  const tooLarge = pieces.filter((_, index) => fits[index] === null).map(({ name }) => name);
  const fitting = fits.filter((piece): piece is CutPiece => piece !== null);
  if (fitting.length === 0) return { widthMm, lengthMm: 0, pieces: [], tooLarge };
  const best = lengthsToTry(fitting, widthMm)
    .map((length) => packed(fitting, widthMm, Math.min(length, most)))
    .filter((layout): layout is NestedPiece[] => layout !== null)
    .map((layout) => ({ layout, used: Math.max(...layout.map(({ x, widthMm: wide }) => x + wide)) + GAP_MM }))
    .sort((a, b) => a.used - b.used)[0];
  // Pieces that fit on no sheet are reported.
  if (!best) {
    const [first, ...rest] = [...fitting].sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
    const smaller = nestPieces(rest, widthMm, lengthMm);
    return { ...smaller, tooLarge: [...tooLarge, ...smaller.tooLarge, first!.name] };
  }
  return { widthMm, lengthMm: best.used, pieces: best.layout, tooLarge };
}

/**
 * Sheet lengths to try, starting from the minimum by area: the packer fills a given sheet, it does not look for the
 * shortest.
 */
function lengthsToTry(pieces: readonly CutPiece[], widthMm: number): number[] {
  const size = pieces.reduce((sum, piece) => sum + (piece.widthMm + GAP_MM) * (piece.heightMm + GAP_MM), 0);
  const longest = Math.max(...pieces.map((piece) => piece.widthMm));
  const least = Math.max(size / Math.max(1, widthMm - GAP_MM), longest) + 2 * GAP_MM;
  const all = pieces.reduce((sum, piece) => sum + piece.widthMm + GAP_MM, GAP_MM) + GAP_MM;
  return [1, 1.03, 1.06, 1.1, 1.15, 1.2, 1.3, 1.4, 1.6, 2].map((share) => least * share).concat(all);
}

function packed(pieces: readonly CutPiece[], widthMm: number, lengthMm: number): NestedPiece[] | null {
  const steps = (mm: number) => Math.ceil(mm * STEPS_PER_MM - TOLERANCE.along);
  const packer = new MaxRectsPacker(
    Math.floor(lengthMm * STEPS_PER_MM),
    Math.floor(widthMm * STEPS_PER_MM),
    GAP_MM * STEPS_PER_MM,
    {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
      border: GAP_MM * STEPS_PER_MM,
    },
  );
  // The largest first: the packer lays them as they come.
  const largestFirst = [...pieces].sort((a, b) => Math.max(b.widthMm, b.heightMm) - Math.max(a.widthMm, a.heightMm));
  for (const piece of largestFirst) packer.add(steps(piece.widthMm), steps(piece.heightMm), piece);
  const [sheet, ...more] = packer.bins;
  // Overflow goes onto a second sheet: then this length is too short.
  if (!sheet || more.length > 0 || sheet.rects.length !== pieces.length) return null;
  return sheet.rects.map((rectangle) => {
    const piece = rectangle.data as CutPiece;
    return { ...(rectangle.rot ? turned(piece) : piece), x: rectangle.x / STEPS_PER_MM, y: rectangle.y / STEPS_PER_MM };
  });
}

/** A piece a quarter turned. */
const turned = ({ name, widthMm, heightMm, cuts }: CutPiece): CutPiece => ({
  name,
  widthMm: heightMm,
  heightMm: widthMm,
  cuts: cuts.map((cut) => cut.map(([x, y]) => [heightMm - y, x] as const)),
});

/** Turned so that it goes across the film, if it does at all. */
function turnedToFit(piece: CutPiece, widthMm: number, lengthMm: number): CutPiece | null {
  if (piece.heightMm <= widthMm && piece.widthMm <= lengthMm) return piece;
  return piece.widthMm <= widthMm && piece.heightMm <= lengthMm ? turned(piece) : null;
}
