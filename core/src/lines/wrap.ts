import { type Point, pieceOf, type Path, type PathPoint } from '../curves';
import { type Sheet, type Turns } from '../surface';

/** How many times round a place lies: 0 at the top, ±0.5 at the seam; `near` settles which turn of a cone is meant. */
function turnsAt(turns: Turns, { x, y }: Point, near: number): number {
  if (turns.kind === 'shift') return y / turns.girthMm;
  const dx = turns.side * (x - turns.apex.x);
  const angle = Math.atan2(y, dx);
  const whole = Math.round((near * turns.sector - angle) / (2 * Math.PI));
  return (angle + whole * 2 * Math.PI) / turns.sector;
}

/** A place moved back by whole turns. */
export function unwound(turns: Turns, point: Point, count: number): Point {
  if (count === 0) return { x: point.x, y: point.y };
  if (turns.kind === 'shift') return { x: point.x, y: point.y - count * turns.girthMm };
  const angle = -count * turns.sector * turns.side;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const dx = point.x - turns.apex.x;
  return { x: turns.apex.x + cos * dx - sin * point.y, y: sin * dx + cos * point.y };
}

function unwoundPoint(turns: Turns, point: PathPoint, count: number): PathPoint {
  if (count === 0) return point;
  const place = unwound(turns, point, count);
  if (turns.kind === 'shift') return { ...point, ...place };
  const angle = -count * turns.sector * turns.side;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { ...point, ...place, tx: cos * point.tx - sin * point.ty, ty: sin * point.tx + cos * point.ty };
}

/** Within this share of a turn a place is on the seam. */
const ON_SEAM = 1e-9;

/**
 * Cuts a line at the seam of a round surface and moves every piece onto the sheet.
 * @returns pieces in order with distances as on the line; the line itself where the sheet does not wrap
 */
export function wrapped(path: Path, { turns }: Sheet): Path[] {
  if (!turns) return [path];
  const around: number[] = [];
  path.forEach((point, index) => around.push(turnsAt(turns, point, index === 0 ? 0 : around[index - 1])));
  const cuts = seamCuts(path, around, turns);
  const stops = [path[0].at, ...cuts, path[path.length - 1].at];
  return stops.slice(1).flatMap((to, index) => {
    const piece = pieceOf(path, stops[index], to);
    if (!piece) return [];
    // Off the ends: a piece may start and stop on the seam itself.
    const middle = turnsAtDistance(path, around, (stops[index] + to) / 2, turns);
    const count = Math.abs(Math.abs(middle % 1) - 0.5) < ON_SEAM ? Math.floor(middle + 0.5 - 2 * ON_SEAM) : Math.round(middle);
    return [piece.map((point) => unwoundPoint(turns, point, count))];
  });
}

/** How many times a line goes round a surface; 0 where the sheet does not wrap. */
export function timesRound(path: Path, { turns }: Sheet): number {
  if (!turns) return 0;
  let [before, least, most] = [0, Infinity, -Infinity];
  path.forEach((point, index) => {
    before = turnsAt(turns, point, index === 0 ? 0 : before);
    least = Math.min(least, before);
    most = Math.max(most, before);
  });
  return most - least;
}

/** Distances at which a line crosses the seam. */
function seamCuts(path: Path, around: readonly number[], turns: Turns): number[] {
  const cuts: number[] = [];
  for (let index = 1; index < path.length; index++) {
    const [from, to] = [around[index - 1], around[index]];
    const [low, high] = from < to ? [from, to] : [to, from];
    for (let seam = Math.ceil(low - 0.5) + 0.5; seam <= high; seam++) {
      if (seam - low < ON_SEAM && seam - high > -ON_SEAM) continue;
      const share = shareAtSeam(path[index - 1], path[index], from, to, seam, turns);
      cuts.push(path[index - 1].at + share * (path[index].at - path[index - 1].at));
    }
  }
  return cuts.sort((a, b) => a - b);
}

/** Share of a straight piece at which it meets the seam: even on a tube; on a cone, which turns unevenly, by halving. */
function shareAtSeam(a: Point, b: Point, from: number, to: number, seam: number, turns: Turns): number {
  if (turns.kind === 'shift') return (seam - from) / (to - from);
  let [low, high] = [0, 1];
  for (let round = 0; round < 50; round++) {
    const half = (low + high) / 2;
    const here = turnsAt(turns, { x: a.x + half * (b.x - a.x), y: a.y + half * (b.y - a.y) }, seam);
    if (here < seam === from < to) low = half;
    else high = half;
  }
  return (low + high) / 2;
}

/** Turns at a distance along the line, at the middle of a piece: on which side of every seam it lies. */
function turnsAtDistance(path: Path, around: readonly number[], at: number, turns: Turns): number {
  const next = path.findIndex((point) => point.at >= at);
  if (next <= 0) return around[Math.max(0, next)];
  const [a, b] = [path[next - 1], path[next]];
  const share = b.at > a.at ? (at - a.at) / (b.at - a.at) : 0;
  const guess = around[next - 1] + share * (around[next] - around[next - 1]);
  return turns.kind === 'shift' ? guess : turnsAt(turns, { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) }, guess);
}
