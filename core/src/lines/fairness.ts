import { type Path, pathLength, type Point, pointAt } from '../curves';
import { maxOf, minOf, TOLERANCE } from '../kit';
import { LINE_RULES } from './rules-of-thumb';

/** A place where a line wavers: its deviation from a fair curve within a short length. */
export interface Wiggle {
  /** Distance along the line, mm. */
  readonly at: number;
  readonly sizeMm: number;
  readonly overMm: number;
}

/** Steps per window. */
const STEPS_PER_WINDOW = 24;

/** Lengths of the windows a line of some length is judged in, mm. */
const fairWindows = (lengthMm: number): number[] =>
  LINE_RULES.fairWindows
    .map((share) => Math.max(LINE_RULES.fairLeastMm, share * lengthMm))
    .filter((window) => window <= lengthMm);

/**
 * Finds where a line wavers.
 * Within a short window a fair line is nearly a cubic; the deviation from the best-fitting cubic is the wiggle.
 * Several window lengths are used, since a wiggle may be short or long; windows in which the line turns strongly
 * contain intended bends and are skipped.
 * @returns the worst place of every wavering stretch, in order; empty for a fair line
 * Source: rule of thumb, see docs/computation.md.
 */
export function findWiggles(path: Path): Wiggle[] {
  const all = fairWindows(pathLength(path)).flatMap((overMm) => wigglesWithin(path, overMm));
  const worstFirst = all.sort((a, b) => b.sizeMm / b.overMm - a.sizeMm / a.overMm);
  const kept = worstFirst.filter(
    (wiggle, index) =>
      !worstFirst
        .slice(0, index)
        .some((worse) => Math.abs(worse.at - wiggle.at) < Math.max(worse.overMm, wiggle.overMm)),
  );
  return kept.sort((a, b) => a.at - b.at);
}

function wigglesWithin(path: Path, overMm: number): Wiggle[] {
  const start = path[0]!.at;
  const step = overMm / STEPS_PER_WINDOW;
  const count = Math.floor((pathLength(path) - overMm) / (2 * step) + TOLERANCE.rounding) + 1;
  const wiggles: Wiggle[] = [];
  for (let index = 0; index < count; index++) {
    const from = start + index * 2 * step;
    const places = Array.from({ length: STEPS_PER_WINDOW + 1 }, (_, i) => pointAt(path, from + i * step));
    if (turningThrough(places) > LINE_RULES.fairTurn) continue;
    const sizeMm = strayFromCubic(places);
    if (sizeMm > overMm * LINE_RULES.fairShare) wiggles.push({ at: from + overMm / 2, sizeMm, overMm });
  }
  return wiggles;
}

const turningThrough = (places: Path): number =>
  places.slice(1).reduce((sum, b, index) => {
    const a = places[index]!;
    return sum + Math.abs(Math.atan2(a.tx * b.ty - a.ty * b.tx, a.tx * b.tx + a.ty * b.ty));
  }, 0);

/** How far, from the highest to the lowest, places stray from the cubic nearest to them over their chord, mm. */
function strayFromCubic(places: readonly Point[]): number {
  const [a, b] = [places[0]!, places.at(-1)!];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const local = places.map(
    ({ x, y }) => [(2 * ((x - a.x) * ux + (y - a.y) * uy)) / length - 1, (y - a.y) * ux - (x - a.x) * uy] as const,
  );
  const coefficients = nearestCubic(local);
  const rest = local.map(
    ([t, v]) => v - (coefficients[0]! + t * (coefficients[1]! + t * (coefficients[2]! + t * coefficients[3]!))),
  );
  return maxOf(rest) - minOf(rest);
}

/** Least squares, solved by elimination. */
function nearestCubic(samples: readonly (readonly [number, number])[]): number[] {
  const rows = [0, 1, 2, 3].map((i) => [
    ...[0, 1, 2, 3].map((j) => samples.reduce((sum, [t]) => sum + t ** (i + j), 0)),
    samples.reduce((sum, [t, v]) => sum + t ** i * v, 0),
  ]);
  for (let column = 0; column < 4; column++) {
    const pivot = rows
      .slice(column)
      .reduce(
        (best, row, index) => (Math.abs(row[column]!) > Math.abs(rows[best]![column]!) ? index + column : best),
        column,
      );
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let row = 0; row < 4; row++) {
      if (row === column) continue;
      const factor = rows[row]![column]! / rows[column]![column]!;
      for (let k = column; k < 5; k++) rows[row]![k]! -= factor * rows[column]![k]!;
    }
  }
  return rows.map((row, index) => row[4]! / row[index]!);
}

/** Points of a sweep made fair, with how far each was moved. */
export interface FairResult {
  readonly points: readonly Point[];
  readonly movedMm: readonly number[];
}

/** Rounds of smoothing: more change nothing that can be seen. */
const ROUNDS = 80;

/**
 * Moves the inner points of a sweep so that it runs fair, each by no more than allowed; its ends stay.
 * Every point is drawn to where the cubic through its neighbours would have it.
 * @param mostMm farthest any point may go from where it was measured
 */
export function fairPoints(points: readonly Point[], mostMm: number): FairResult {
  const moved = points.map((point) => ({ ...point }));
  const knots = points.reduce<number[]>(
    (sums, point, index) => [
      ...sums,
      index === 0
        ? 0
        : sums[index - 1]! + Math.sqrt(Math.hypot(point.x - points[index - 1]!.x, point.y - points[index - 1]!.y)),
    ],
    [],
  );
  for (let round = 0; round < ROUNDS; round++) {
    for (let index = 1; index < points.length - 1; index++) {
      const wanted = expectedAt(index, moved, knots);
      const dx = moved[index]!.x + 0.5 * (wanted.x - moved[index]!.x) - points[index]!.x;
      const dy = moved[index]!.y + 0.5 * (wanted.y - moved[index]!.y) - points[index]!.y;
      const limit = Math.min(1, mostMm / (Math.hypot(dx, dy) || 1));
      moved[index] = { x: points[index]!.x + dx * limit, y: points[index]!.y + dy * limit };
    }
  }
  return {
    points: moved,
    movedMm: moved.map((point, index) => Math.hypot(point.x - points[index]!.x, point.y - points[index]!.y)),
  };
}

/** Where the polynomial through up to four neighbours puts a point. Source: Lagrange. */
function expectedAt(index: number, points: readonly Point[], knots: readonly number[]): Point {
  const near = [index - 2, index - 1, index + 1, index + 2].filter((other) => other >= 0 && other < points.length);
  const weights = near.map((neighbour) =>
    near.reduce(
      (product, other) =>
        other === neighbour
          ? product
          : (product * (knots[index]! - knots[other]!)) / (knots[neighbour]! - knots[other]!),
      1,
    ),
  );
  return {
    x: near.reduce((sum, other, i) => sum + weights[i]! * points[other]!.x, 0),
    y: near.reduce((sum, other, i) => sum + weights[i]! * points[other]!.y, 0),
  };
}
