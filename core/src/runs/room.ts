import { boundingBox, nearestOnPath, type Path, pathLength, pathsWithin, type Point } from '../curves';
import { isModelScale, maxOf, minOf, sumOf } from '../kit';
import { fitAlong, follows, type LineSide, type Tape } from '../tape';
import { widestFor } from './choose';
import { overhangs } from './overhang';
import { shareAt } from './point-beside';
import { RUN_RULES } from './rules-of-thumb';
import type { MaskedPart } from './run';

/**
 * Room for a tape on the covered side of a run, measured along it: the widest of some widths that lies on what is
 * painted along no more than a small share of the run, where it is cut off. Free edges set no limit.
 * @param painted which areas of the part are painted while the tape is on
 * @param innerMm where the tape begins, mm off its line
 * @returns mm from the line, Infinity where the widest fits; 0 where none does
 */
export function roomBeside(
  part: Pick<MaskedPart, 'skin' | 'arrangement'>,
  painted: readonly boolean[],
  piece: Path,
  side: LineSide,
  widths: readonly number[],
  innerMm = 0,
): number {
  const mostMm = RUN_RULES.mostTrimmed * pathLength(piece);
  const fits = (widthMm: number) =>
    sumOf(
      overhangs(part, painted, piece, side, { innerMm, outerMm: innerMm + widthMm }),
      ({ fromMm, toMm }) => toMm - fromMm,
    ) <= mostMm;
  const sorted = [...new Set(widths)].sort((a, b) => a - b);
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (fits(sorted[middle]!)) low = middle + 1;
    else high = middle;
  }
  return low === sorted.length ? Infinity : low === 0 ? 0 : innerMm + sorted[low - 1]!;
}

/** Lines laid over an area, in each direction, along which its depth is measured. */
const SCAN_LINES = 10;

/**
 * How far the place of an area that is farthest from its lines is away from them.
 * @returns mm on the skin, an estimate from places spread over the area; Infinity where no line borders it
 */
export function depthBehindLines(part: Pick<MaskedPart, 'skin' | 'arrangement' | 'lines'>, area: number): number {
  const { arrangement, lines, skin } = part;
  const paths = arrangement.borders.flatMap(({ line, from, to, left, right }) =>
    left === area || right === area
      ? lines.flatMap(({ id, pieces }) => (id === line ? pathsWithin(pieces, from, to) : []))
      : [],
  );
  if (paths.length === 0) return Infinity;
  const { rings, seed } = arrangement.areas[area]!;
  return maxOf(
    [seed, ...middlesWithin(rings)].map((place) => {
      const share = shareAt(skin.metric, place);
      const drawnTrue = (path: Path) => (share === 1 ? path : path.map((point) => ({ ...point, y: point.y * share })));
      return minOf(paths.map((path) => nearestOnPath(drawnTrue(path), { x: place.x, y: place.y * share }).distanceMm));
    }),
  );
}

/** Places in the middle of where lines laid over an area, up and across, lie inside it. */
function middlesWithin(rings: readonly (readonly Point[])[]): Point[] {
  const { minX, maxX, minY, maxY } = boundingBox(rings.flat());
  const turned = rings.map((ring) => ring.map(({ x, y }) => ({ x: y, y: x })));
  const levels = (from: number, to: number) =>
    Array.from({ length: SCAN_LINES }, (_, index) => from + ((index + 0.5) / SCAN_LINES) * (to - from));
  return [
    ...levels(minY, maxY).flatMap((y) => middlesAt(rings, y).map((x) => ({ x, y }))),
    ...levels(minX, maxX).flatMap((x) => middlesAt(turned, x).map((y) => ({ x, y }))),
  ];
}

/** Middles of the stretches at a height that lie inside some rings. */
function middlesAt(rings: readonly (readonly Point[])[], height: number): number[] {
  const crossings = rings
    .flatMap((ring) =>
      ring.flatMap((a, index) => {
        const b = ring[(index + 1) % ring.length]!;
        return a.y > height === b.y > height ? [] : [a.x + ((height - a.y) / (b.y - a.y)) * (b.x - a.x)];
      }),
    )
    .sort((one, other) => one - other);
  return crossings.flatMap((x, index) => (index % 2 === 1 ? [(crossings[index - 1]! + x) / 2] : []));
}

/** The widest tape with a crisp edge that follows a piece of line; 0 where none does. Mm. */
export function widestAlong(tapes: readonly Tape[], piece: Path, side: LineSide): number {
  // The sharpest bends to both sides decide.
  const bends = piece.map(({ curvature }) => curvature);
  const samples = [minOf(bends), maxOf(bends)].map((curvature, at) => ({ at, curvature }));
  return (
    tapes
      .filter((tape) => tape.kind !== 'T' && tape.edge === 'crisp' && tape.widthMm <= widestFor(tape, { crisp: true }))
      .sort((a, b) => b.widthMm - a.widthMm)
      .find((tape) => follows(fitAlong(tape, samples, side)))?.widthMm ?? 0
  );
}

/**
 * How wide the tapes along the lines of an area must be to cover it by themselves: the depth of the area behind them,
 * and half the lap.
 * @returns mm; null where no tape that wide follows the lines
 */
export function coveringTapeMm(
  part: Pick<MaskedPart, 'skin' | 'arrangement' | 'lines'>,
  area: number,
  tapes: readonly Tape[],
  scale: number,
): number | null {
  const { sizeMm2, perimeterMm } = part.arrangement.areas[area]!;
  const widest = Math.max(0, ...tapes.map((tape) => (tape.kind === 'T' ? 0 : tape.widthMm)));
  // No area is deeper than its size over its outline says at least: most are ruled out by that.
  if (sizeMm2 / perimeterMm > widest) return null;
  const lapMm = isModelScale(scale) ? RUN_RULES.lap.model : RUN_RULES.lap.full;
  const least = minOf(
    part.arrangement.borders.flatMap(({ line, from, to, left, right }) => {
      if (left !== area && right !== area) return [];
      const { pieces } = part.lines.find(({ id }) => id === line)!;
      return pathsWithin(pieces, from, to).map((piece) => widestAlong(tapes, piece, left === area ? 'left' : 'right'));
    }),
  );
  if (least === Infinity || least === 0) return null;
  const needsMm = depthBehindLines(part, area) + lapMm / 2;
  return needsMm <= least ? needsMm : null;
}
