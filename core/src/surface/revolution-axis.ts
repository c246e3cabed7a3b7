import type { Path, Point } from '../curves';
import { bisect, TOLERANCE } from '../kit';
import type { PlacedPoint } from './skin';

/** A place on a turned surface: distance along the skin, and angle from the top towards the left, radians. */
export interface RevolutionPoint {
  readonly along: number;
  readonly angle: number;
}

/** Cross-section of a surface of revolution: its radius at every distance along the skin. */
export interface GirthProfile {
  /** Length along the skin, mm. */
  readonly lengthMm: number;
  /** Radius, axis length and their change per mm, at a distance along the skin. */
  readonly at: (along: number) => {
    readonly along: number;
    readonly radius: number;
    readonly slope: number;
    readonly axial: number;
  };
}

/** What a skin is turned about, and how its drawing shows it. */
export interface RevolutionAxis extends GirthProfile {
  /** Where on the sheet a place lies, and back. */
  readonly onSheet: (place: RevolutionPoint) => Point;
  readonly onRound: (place: Point) => RevolutionPoint;
  /** A ring once round at a distance along the skin. */
  readonly ringAt: (along: number) => Path;
}

/** Distance along the skin of a distance along the axis; null beyond the ends. */
export function skinDistance({ at, lengthMm }: RevolutionAxis, axis: number): number | null {
  const [start, end] = [at(0).along, at(lengthMm).along];
  if (axis < Math.min(start, end) - TOLERANCE.rounding || axis > Math.max(start, end) + TOLERANCE.rounding) return null;
  return bisect(0, lengthMm, 60, (along) => at(along).along < axis === start < end);
}

/** A place of a turned surface measured for people: along the axis, degrees and girth from the top. */
export function measureOnRevolution(
  { onRound, at }: RevolutionAxis,
  place: Point,
): { readonly along: number; readonly degrees: number; readonly girthMm: number } {
  const { along, angle } = onRound(place);
  const across = at(along);
  return { along: across.along, degrees: (angle * 180) / Math.PI, girthMm: angle * across.radius };
}

/** Place on the part, and outward direction there, of a place on a turned surface. */
export function revolutionToSpace({ at }: GirthProfile, { along, angle }: RevolutionPoint): PlacedPoint {
  const { along: axis, radius, slope, axial } = at(along);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { at: { x: axis, y: radius * sin, z: radius * cos }, out: { x: -slope, y: axial * sin, z: axial * cos } };
}

/** Viewing functions shared by all surfaces of revolution. */
export function revolutionView({ onSheet, lengthMm }: RevolutionAxis) {
  const STEPS = 48;
  const end = (along: number) =>
    Array.from({ length: STEPS + 1 }, (_, step) => onSheet({ along, angle: (step / STEPS - 0.5) * 2 * Math.PI }));
  return {
    shownRims: () => [end(0), end(lengthMm)],
    facets: {
      placeAt: (along: number, up: number) => onSheet({ along: along * lengthMm, angle: (up - 0.5) * 2 * Math.PI }),
      holds: () => true,
      long: true,
    },
  };
}
