import { firstThree, TOLERANCE } from '../kit';
import { arcSteps, arcSweep, circleFit, circleThrough } from './circle';
import type { Path, PathPoint } from './path';
import { distance, type Point } from './point';

/**
 * The arc from one place through a second to a third.
 * @returns the path, distances measured along the true arc; null where two places coincide or all lie on one straight
 */
export function arcPath(from: Point, through: Point, to: Point): Path | null {
  const circle = circleThrough(from, through, to);
  return circle && arcAbout(circle.centre, from, arcSweep(circle.centre, from, through, to), to);
}

/**
 * The arc nearest to several places, from beside the first to beside the last.
 * @returns the path and how far each place lies from it, mm; null where no circle comes near
 */
export function arcFit(places: readonly Point[]): { readonly path: Path; readonly off: readonly number[] } | null {
  const circle = circleFit(places);
  if (!circle) return null;
  const onto = (place: Point): Point => {
    const away = distance(circle.centre, place);
    return {
      x: circle.centre.x + ((place.x - circle.centre.x) * circle.radius) / away,
      y: circle.centre.y + ((place.y - circle.centre.y) * circle.radius) / away,
    };
  };
  const [from, middle, to] = firstThree([places[0]!, places[Math.floor(places.length / 2)]!, places.at(-1)!].map(onto));
  const path = arcAbout(circle.centre, from, arcSweep(circle.centre, from, middle, to), to);
  return { path, off: places.map((place) => Math.abs(distance(circle.centre, place) - circle.radius)) };
}

/**
 * The arc that starts in a direction and turns at a radius.
 * @param heading radians from x, anticlockwise
 * @param turn radians, positive to the left
 */
export function arcByRadius(from: Point, heading: number, radius: number, turn: number): Path | null {
  if (Math.abs(turn) < TOLERANCE.rounding) return null;
  const sign = Math.sign(turn);
  const centre = { x: from.x - sign * radius * Math.sin(heading), y: from.y + sign * radius * Math.cos(heading) };
  return arcAbout(centre, from, turn, null);
}

/** The arc about a centre from a place on; `to` is taken as the exact end where it is known. */
export function arcAbout(centre: Point, from: Point, turn: number, to: Point | null): PathPoint[] {
  const radius = distance(centre, from);
  const start = Math.atan2(from.y - centre.y, from.x - centre.x);
  const steps = arcSteps(radius, turn, TOLERANCE.flatten);
  const sign = Math.sign(turn);
  return Array.from({ length: steps + 1 }, (_, step): PathPoint => {
    const angle = start + (turn * step) / steps;
    const round = { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
    const place = step === 0 ? from : step === steps && to ? to : round;
    return {
      x: place.x,
      y: place.y,
      tx: -sign * Math.sin(angle),
      ty: sign * Math.cos(angle),
      curvature: sign / radius,
      at: (radius * Math.abs(turn) * step) / steps,
    };
  });
}
