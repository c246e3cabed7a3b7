import { pathLength } from '../curves';
import type { Design } from '../job';
import { fairedPoints, matchOf, wigglesOf, type LineOf, type Match, type Wiggle } from '../lines';
import { measureFrom, type Measured } from '../surface';
import { rounded, type LineId, type PartId } from '../units';
import { newWorkStore, setOutOf, type WorkStore } from './store';

/** How a line bends along its way, for a chart and a comb, and whether it wavers. */
export interface LineAnalysis {
  /** [distance along the line, bend 1/mm, x, y, direction x, direction y] at even steps. */
  readonly bends: readonly (readonly [number, number, number, number, number, number])[];
  readonly wiggles: readonly (Wiggle & { readonly place: readonly [number, number] })[];
}

/** Places the bends are given at. */
const SAMPLES = 120;

/** Looks at one stroke of a line; null where it is not on its part. */
export function analyseLine(parts: Design['parts'], partId: PartId, lineId: LineId, store: WorkStore = newWorkStore()): LineAnalysis | null {
  const pieces = setOutOf(parts, partId, store)?.lines.find(({ id }) => id === lineId)?.pieces ?? [];
  if (pieces.length === 0) return null;
  const total = pieces.reduce((sum, piece) => sum + pathLength(piece), 0);
  const bends = pieces.flatMap((piece) => {
    const wanted = Math.max(2, Math.round((SAMPLES * pathLength(piece)) / total));
    const every = Math.max(1, Math.floor(piece.length / wanted));
    return piece
      .filter((_, index) => index % every === 0 || index === piece.length - 1)
      .map(({ at, curvature, x, y, tx, ty }): [number, number, number, number, number, number] => [at, curvature, x, y, tx, ty]);
  });
  const wiggles = pieces.flatMap((piece) =>
    wigglesOf(piece).map((wiggle) => {
      const near = piece.reduce((best, point) => (Math.abs(point.at - wiggle.at) < Math.abs(best.at - wiggle.at) ? point : best));
      return { ...wiggle, place: [near.x, near.y] as const };
    }),
  );
  return rounded({ bends, wiggles });
}

/** A sweep made fair: the changed line, and how far each point moved, mm. */
export interface FairedLine {
  readonly line: LineOf<'sweep'>;
  readonly movedMm: readonly number[];
}

/**
 * Makes a sweep fair by moving its inner points.
 * @param mostMm farthest any point may move
 */
export function fairedLine(line: LineOf<'sweep'>, mostMm: number): FairedLine {
  const { points, movedMm } = fairedPoints(
    line.points.map(({ along, above }) => ({ x: along, y: above })),
    mostMm,
  );
  // A hundredth of a millimetre is finer than anyone marks.
  const moved = points.map(({ x, y }): Measured => ({ along: Math.round(x * 100) / 100, above: Math.round(y * 100) / 100 }));
  return { line: { ...line, points: moved }, movedMm: rounded([...movedMm], 3) };
}

/** Compares heights measured on the second side with the line as planned. */
export function matchLine(
  parts: Design['parts'],
  partId: PartId,
  lineId: LineId,
  datumId: string,
  measured: readonly Measured[],
  store: WorkStore = newWorkStore(),
): Match | null {
  const own = setOutOf(parts, partId, store);
  const line = own?.lines.find(({ id }) => id === lineId);
  const datum = own?.board.shape.datums.find(({ id }) => id === datumId);
  if (!own || !line || !datum) return null;
  return rounded(
    matchOf(line.pieces, (place) => measureFrom(datum, own.board.reflect(place)), measured),
    3,
  );
}
