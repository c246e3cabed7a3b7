import { distance, isClosed, type Path, pathSlice, type Point } from '../curves';
import { bisect, TOLERANCE } from '../kit';
import type { Seam, Skin } from '../surface';

/** Within this share of a turn a place is on the seam. */
const ON_SEAM = TOLERANCE.rounding;

/**
 * Cuts a line at the seam of a round surface and moves every piece onto the sheet.
 * @returns pieces in order with distances as on the line; the line itself where the sheet does not wrap
 */
export function wrapAtSeam(path: Path, { seam }: Skin): Path[] {
  if (!seam) return [path];
  const around: number[] = [];
  path.forEach((point, index) => around.push(seam.turnsAt(point, index === 0 ? 0 : around[index - 1]!)));
  const cuts = seamCuts(path, around, seam);
  const stops = [path[0]!.at, ...cuts, path.at(-1)!.at];
  return stops.slice(1).flatMap((to, index) => {
    const piece = pathSlice(path, stops[index]!, to);
    if (!piece) return [];
    // Off the ends: a piece may start and stop on the seam itself.
    const middle = turnsAtDistance(path, around, (stops[index]! + to) / 2, seam);
    const count =
      Math.abs(Math.abs(middle % 1) - 0.5) < ON_SEAM ? Math.floor(middle + 0.5 - 2 * ON_SEAM) : Math.round(middle);
    return [piece.map((point) => seam.unwoundPoint(point, count))];
  });
}

/** How many times a line goes round a surface; 0 where the sheet does not wrap. */
export function turnsRound(path: Path, { seam }: Skin): number {
  if (!seam) return 0;
  let [before, least, most] = [0, Infinity, -Infinity];
  path.forEach((point, index) => {
    before = seam.turnsAt(point, index === 0 ? 0 : before);
    least = Math.min(least, before);
    most = Math.max(most, before);
  });
  return most - least;
}

/** Distances at which a line crosses the seam. */
function seamCuts(path: Path, around: readonly number[], seam: Seam): number[] {
  const cuts: number[] = [];
  for (let index = 1; index < path.length; index++) {
    const [from, to] = [around[index - 1]!, around[index]!];
    const [low, high] = from < to ? [from, to] : [to, from];
    for (let turn = Math.ceil(low - 0.5) + 0.5; turn <= high; turn++) {
      if (turn - low < ON_SEAM && turn - high > -ON_SEAM) continue;
      const share = shareAtSeam(path[index - 1]!, path[index]!, from, to, turn, seam);
      cuts.push(path[index - 1]!.at + share * (path[index]!.at - path[index - 1]!.at));
    }
  }
  return cuts.sort((a, b) => a - b);
}

/**
 * Fraction of a segment at which a number of turns is complete: linear on a tube; by bisection on a cone, which
 * turns unevenly.
 */
function shareAtSeam(a: Point, b: Point, from: number, to: number, turn: number, seam: Seam): number {
  if (seam.even) return (turn - from) / (to - from);
  return bisect(
    0,
    1,
    50,
    (share) => seam.turnsAt({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) }, turn) < turn === from < to,
  );
}

/** Turns at a distance along the line, at the middle of a piece: on which side of every seam it lies. */
function turnsAtDistance(path: Path, around: readonly number[], along: number, seam: Seam): number {
  const next = path.findIndex((point) => point.at >= along);
  if (next <= 0) return around[Math.max(0, next)]!;
  const [a, b] = [path[next - 1]!, path[next]!];
  const share = b.at > a.at ? (along - a.at) / (b.at - a.at) : 0;
  const guess = around[next - 1]! + share * (around[next]! - around[next - 1]!);
  return seam.even ? guess : seam.turnsAt({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) }, guess);
}

/** True for a line that ends where it starts: on the sheet, or once round a part, where its ends lie apart on the sheet. */
export function isClosedOnSurface(path: Path, { seam }: Pick<Skin, 'seam'>): boolean {
  const [first, last] = [path[0]!, path.at(-1)!];
  return (
    isClosed(path) ||
    (seam !== null && [-1, 1].some((count) => distance(seam.unwound(last, count), first) < TOLERANCE.grid))
  );
}
