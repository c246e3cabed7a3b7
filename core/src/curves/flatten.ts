import { TOLERANCE } from '../kit';
import { arcSteps } from './circle';
import type { Point } from './point';

/** Pieces one curve is cut into at most. */
const MOST_PIECES = 2000;

/** Pieces a curve needs so that chords stray at most `tolerance`, from its largest second difference. */
const piecesFor = (second: number, tolerance: number): number =>
  Math.min(MOST_PIECES, Math.max(1, Math.ceil(Math.sqrt((0.75 * second) / tolerance))));

/** Places along a cubic after its first. */
export function flattenCubic(a: Point, b: Point, c: Point, d: Point, tolerance: number): Point[] {
  const second = Math.max(
    Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y),
    Math.hypot(b.x - 2 * c.x + d.x, b.y - 2 * c.y + d.y),
  );
  const pieces = piecesFor(second, tolerance);
  return Array.from({ length: pieces }, (_, index) => {
    const t = (index + 1) / pieces;
    const s = 1 - t;
    const mix = (p: number, q: number, r: number, u: number) =>
      s ** 3 * p + 3 * s * s * t * q + 3 * s * t * t * r + t ** 3 * u;
    return { x: mix(a.x, b.x, c.x, d.x), y: mix(a.y, b.y, c.y, d.y) };
  });
}

/** Points along a parabola after its first, in at least `least` pieces. */
export function flattenQuadratic(a: Point, b: Point, c: Point, tolerance: number, least = 1): Point[] {
  // As a cubic its second differences are a third of these.
  const pieces = Math.max(least, piecesFor(Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y) / 3, tolerance));
  return Array.from({ length: pieces }, (_, index) => {
    const t = (index + 1) / pieces;
    const mix = (p: number, q: number, r: number) => (1 - t) ** 2 * p + 2 * t * (1 - t) * q + t * t * r;
    return { x: mix(a.x, b.x, c.x), y: mix(a.y, b.y, c.y) };
  });
}

/** Places along an arc of an ellipse; both ends included. `turn` tilts it, radians. */
export function flattenArc(
  centre: Point,
  radiusX: number,
  radiusY: number,
  turn: number,
  from: number,
  to: number,
  tolerance: number,
): Point[] {
  const largest = Math.max(Math.abs(radiusX), Math.abs(radiusY), TOLERANCE.rounding);
  const pieces = Math.min(MOST_PIECES, arcSteps(largest, to - from, tolerance));
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return Array.from({ length: pieces + 1 }, (_, index) => {
    const angle = from + ((to - from) * index) / pieces;
    const [x, y] = [radiusX * Math.cos(angle), radiusY * Math.sin(angle)];
    return { x: centre.x + cos * x - sin * y, y: centre.y + sin * x + cos * y };
  });
}

/** Places from one vertex of a polyline to the next when they are joined by a bow: bulge = tan(turn / 4). */
export function flattenBulge(a: Point, b: Point, bulge: number, tolerance: number): Point[] {
  if (Math.abs(bulge) < TOLERANCE.rounding) return [b];
  const turn = 4 * Math.atan(bulge);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const radius = chord / (2 * Math.sin(Math.abs(turn) / 2));
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const toCentre = (Math.sign(bulge) * chord * (1 - bulge * bulge)) / (4 * Math.abs(bulge)) / (chord || 1);
  const centre = { x: middle.x - (b.y - a.y) * toCentre, y: middle.y + (b.x - a.x) * toCentre };
  const from = Math.atan2(a.y - centre.y, a.x - centre.x);
  const places = flattenArc(centre, radius, radius, 0, from, from + turn, tolerance).slice(1);
  places[places.length - 1] = b;
  return places;
}

/**
 * Places along a B-spline, both ends included.
 * @param weights one a control point; left out for a plain spline
 * @returns null where knots and control points do not belong together
 * Source: de Boor's recursion.
 */
export function flattenSpline(
  degree: number,
  control: readonly Point[],
  knots: readonly number[],
  weights: readonly number[] | null,
  tolerance: number,
): Point[] | null {
  if (degree < 1 || degree > 9 || control.length <= degree || knots.length !== control.length + degree + 1) return null;
  if (knots.some((knot, index) => !Number.isFinite(knot) || (index > 0 && knot < knots[index - 1]!))) return null;
  const places: Point[] = [];
  for (let span = degree; span < control.length; span++) {
    const [from, to] = [knots[span]!, knots[span + 1]!];
    if (to - from < TOLERANCE.zero) continue;
    const reach = control.slice(span - degree, span + 1);
    const second = reach
      .slice(2)
      .reduce(
        (most, p, index) =>
          Math.max(
            most,
            Math.hypot(
              p.x - 2 * reach[index + 1]!.x + reach[index]!.x,
              p.y - 2 * reach[index + 1]!.y + reach[index]!.y,
            ),
          ),
        0,
      );
    // Second differences of the control points bound those of the piece by the square of the degree.
    const pieces = piecesFor(second * degree * degree, tolerance) + degree;
    for (let index = places.length === 0 ? 0 : 1; index <= pieces; index++)
      places.push(deBoor(degree, control, knots, weights, span, from + ((to - from) * index) / pieces));
  }
  return places.length > 1 ? places : null;
}

function deBoor(
  degree: number,
  control: readonly Point[],
  knots: readonly number[],
  weights: readonly number[] | null,
  span: number,
  parameter: number,
): Point {
  const d = Array.from({ length: degree + 1 }, (_, j) => {
    const index = j + span - degree;
    const w = weights?.[index] ?? 1;
    return { x: control[index]!.x * w, y: control[index]!.y * w, w };
  });
  for (let r = 1; r <= degree; r++) {
    for (let j = degree; j >= r; j--) {
      const low = knots[j + span - degree]!;
      const share = (parameter - low) / (knots[j + 1 + span - r]! - low || 1);
      d[j] = {
        x: (1 - share) * d[j - 1]!.x + share * d[j]!.x,
        y: (1 - share) * d[j - 1]!.y + share * d[j]!.y,
        w: (1 - share) * d[j - 1]!.w + share * d[j]!.w,
      };
    }
  }
  const { x, y, w } = d[degree]!;
  return { x: x / w, y: y / w };
}
