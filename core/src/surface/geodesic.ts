import type { Path, PathPoint, Point } from '../curves';
import { TOLERANCE } from '../kit';
import type { RevolutionAxis } from './revolution-axis';

/** A turned surface as its chart shows it: y is stretched to the widest radius. */
export interface TurnedChart {
  readonly axle: RevolutionAxis;
  readonly widestMm: number;
}

/** A place on a turned surface on the way somewhere: distance along the skin, angle round, and heading off the meridian. */
interface State {
  readonly along: number;
  readonly angle: number;
  readonly heading: number;
}

/** Shortest line that starts at a place of a turned surface in a direction. Steps of Runge and Kutta, fourth order. */
function follow(chart: TurnedChart, start: State, length: number, steps: number): State[] {
  const { axle } = chart;
  const rate = ({ along, heading }: State) => {
    const { radius, slope } = axle.at(along);
    const turning = Math.sin(heading) / Math.max(radius, TOLERANCE.along);
    return { along: Math.cos(heading), angle: turning, heading: -slope * turning };
  };
  const step = length / steps;
  const add = (s: State, r: State, by: number): State => ({
    along: s.along + r.along * by,
    angle: s.angle + r.angle * by,
    heading: s.heading + r.heading * by,
  });
  const states = [start];
  for (let index = 0; index < steps; index++) {
    const s = states[index]!;
    const k1 = rate(s);
    const k2 = rate(add(s, k1, step / 2));
    const k3 = rate(add(s, k2, step / 2));
    const k4 = rate(add(s, k3, step));
    states.push({
      along: s.along + (step * (k1.along + 2 * k2.along + 2 * k3.along + k4.along)) / 6,
      angle: s.angle + (step * (k1.angle + 2 * k2.angle + 2 * k3.angle + k4.angle)) / 6,
      heading: s.heading + (step * (k1.heading + 2 * k2.heading + 2 * k3.heading + k4.heading)) / 6,
    });
  }
  return states;
}

const stepsFor = (length: number): number =>
  Math.min(2000, Math.max(64, Math.ceil(1 / TOLERANCE.curvatureShare), Math.ceil(length / 4)));

/** Where one gets by walking straight on from a place of a turned surface. */
export function geodesicFrom(chart: TurnedChart, from: Point, heading: number, length: number): Point {
  const states = follow(chart, { ...chart.axle.onRound(from), heading }, length, Math.max(16, Math.ceil(length / 5)));
  return chart.axle.onSheet(states.at(-1)!);
}

/**
 * The straight line between two places of a turned surface: the shortest, as a tape lies that is not steered.
 * @returns the path on the sheet, bends left at 0; null where the way from one to the other is not found
 */
export function geodesicBetween(chart: TurnedChart, from: Point, to: Point): Path | null {
  const a = chart.axle.onRound(from);
  const b = chart.axle.onRound(to);
  const radius = chart.axle.at((a.along + b.along) / 2).radius;
  let heading = Math.atan2(radius * (b.angle - a.angle), b.along - a.along);
  let length = Math.hypot(b.along - a.along, radius * (b.angle - a.angle));
  if (length < TOLERANCE.grid) return null;
  const miss = (h: number, l: number) => {
    const end = follow(chart, { ...a, heading: h }, l, 64).at(-1) as State;
    return [end.along - b.along, (end.angle - b.angle) * chart.axle.at(b.along).radius] as const;
  };
  for (let round = 0; round < 30; round++) {
    const [u, w] = miss(heading, length);
    if (Math.hypot(u, w) < TOLERANCE.straight) break;
    const dh = 1e-5;
    const dl = length * 1e-5;
    const [uh, wh] = miss(heading + dh, length);
    const [ul, wl] = miss(heading, length + dl);
    const [a11, a12, a21, a22] = [(uh - u) / dh, (ul - u) / dl, (wh - w) / dh, (wl - w) / dl];
    const det = a11 * a22 - a12 * a21;
    if (Math.abs(det) < TOLERANCE.zero) return null;
    heading -= Math.max(-0.3, Math.min(0.3, (a22 * u - a12 * w) / det));
    length = Math.max(length / 2, length - (a11 * w - a21 * u) / det);
  }
  const [u, w] = miss(heading, length);
  if (Math.hypot(u, w) > 0.01) return null;
  return asPath(chart, follow(chart, { ...a, heading }, length, stepsFor(length)), length, to);
}

/** Extends a line straight from one end until it leaves the surface or has gone round three times. */
export function extendGeodesic(chart: TurnedChart, end: PathPoint, forward: boolean): PathPoint[] {
  const { axle } = chart;
  const place = chart.axle.onRound(end);
  const share = axle.at(place.along).radius / (chart.widestMm || 1);
  const sign = forward ? 1 : -1;
  const heading = Math.atan2(sign * end.ty * share, sign * end.tx);
  const longest = 3 * 2 * Math.PI * chart.widestMm + 2 * axle.lengthMm;
  const states = follow(chart, { ...place, heading }, longest, 1200);
  const gone = states.findIndex(
    ({ along, angle }) => along < -1 || along > axle.lengthMm + 1 || Math.abs(angle - place.angle) > 6 * Math.PI,
  );
  const kept = gone < 0 ? states : states.slice(0, gone + 1);
  return asPath(chart, kept, (longest * (kept.length - 1)) / 1200, null).slice(1);
}

function asPath(chart: TurnedChart, states: readonly State[], length: number, to: Point | null): PathPoint[] {
  return states.map((state, index) => {
    const share = chart.axle.at(state.along).radius / chart.widestMm;
    const [dx, dy] = [Math.cos(state.heading) * share, Math.sin(state.heading)];
    const size = Math.hypot(dx, dy) || 1;
    const last = index === states.length - 1;
    return {
      ...(last && to ? to : chart.axle.onSheet(state)),
      tx: dx / size,
      ty: dy / size,
      curvature: 0,
      at: (length * index) / Math.max(1, states.length - 1),
    };
  });
}
