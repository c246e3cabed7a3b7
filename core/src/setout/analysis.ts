import { pathLength, type Place } from '../curves';
import type { Design } from '../job';
import { type LineId, type PartId, roundNumbers } from '../kit';
import { compareSides, fairPoints, findWiggles, type LineOf, type Match, type Wiggle } from '../lines';
import { type Measured, measurementOfPoint } from '../surface';
import { newPartCache, type PartCache, setOutOnePart } from './part-cache';

/** How a line bends along its way, for a chart and a comb, and whether it wavers. */
export interface LineAnalysis {
  /** [distance along the line, bend 1/mm, x, y, direction x, direction y] at even steps. */
  readonly bends: readonly (readonly [number, number, number, number, number, number])[];
  readonly wiggles: readonly (Wiggle & { readonly place: Place })[];
}

/** Places the bends are given at. */
const SAMPLES = 120;

/** Analyses one stroke of a line; null if it is not on its part. */
export function analyseLine(
  parts: Design['parts'],
  partId: PartId,
  lineId: LineId,
  store: PartCache = newPartCache(),
): LineAnalysis | null {
  const pieces = setOutOnePart(parts, partId, store)?.lines.find(({ id }) => id === lineId)?.pieces ?? [];
  if (pieces.length === 0) return null;
  const total = pieces.reduce((sum, piece) => sum + pathLength(piece), 0);
  const bends = pieces.flatMap((piece) => {
    const wanted = Math.max(2, Math.round((SAMPLES * pathLength(piece)) / total));
    const every = Math.max(1, Math.floor(piece.length / wanted));
    return piece
      .filter((_, index) => index % every === 0 || index === piece.length - 1)
      .map(({ at, curvature, x, y, tx, ty }): [number, number, number, number, number, number] => [
        at,
        curvature,
        x,
        y,
        tx,
        ty,
      ]);
  });
  const wiggles = pieces.flatMap((piece) =>
    findWiggles(piece).map((wiggle) => {
      const near = piece.reduce((best, point) =>
        Math.abs(point.at - wiggle.at) < Math.abs(best.at - wiggle.at) ? point : best,
      );
      return { ...wiggle, place: [near.x, near.y] as const };
    }),
  );
  return roundNumbers({ bends, wiggles });
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
  const { points, movedMm } = fairPoints(
    line.points.map(({ along, above }) => ({ x: along, y: above })),
    mostMm,
  );
  // A hundredth of a millimetre is finer than anyone marks.
  const moved = points.map(({ x, y }): Measured => ({
    along: Math.round(x * 100) / 100,
    above: Math.round(y * 100) / 100,
  }));
  return { line: { ...line, points: moved }, movedMm: roundNumbers([...movedMm], 3) };
}

/** Compares heights measured on the second side with the line as planned. */
export function matchLine(
  parts: Design['parts'],
  partId: PartId,
  lineId: LineId,
  datumId: string,
  measured: readonly Measured[],
  store: PartCache = newPartCache(),
): Match | null {
  const setOut = setOutOnePart(parts, partId, store);
  const line = setOut?.lines.find(({ id }) => id === lineId);
  const datum = setOut?.board.shape.datums.find(({ id }) => id === datumId);
  if (!setOut || !line || !datum) return null;
  return roundNumbers(
    compareSides(line.pieces, (place) => measurementOfPoint(datum, setOut.board.reflect(place)), measured),
    3,
  );
}
