import { arcAbout, arcSteps, type Path, type Point, withArcLength } from '../curves';
import { TOLERANCE } from '../kit';

/**
 * A closed circle or ellipse, anticlockwise.
 * @param width, height diameters along and across `turn`, radians
 */
export function ellipsePath(centre: Point, width: number, height: number, turn: number): Path {
  const [a, b] = [width / 2, height / 2];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const put = (x: number, y: number): Point => ({ x: centre.x + cos * x - sin * y, y: centre.y + sin * x + cos * y });
  if (a === b) {
    const start = put(a, 0);
    return arcAbout(centre, start, 2 * Math.PI, start);
  }
  // The sharp ends have the smallest radius, but the chords are longest in the flat part: both are checked.
  const steps = Math.max(200, arcSteps(Math.max(a, b) ** 2 / Math.min(a, b), 2 * Math.PI, TOLERANCE.flatten));
  return withArcLength(
    Array.from({ length: steps + 1 }, (_, step) => {
      const angle = (2 * Math.PI * (step % steps)) / steps;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const [dx, dy] = [-a * s, b * c];
      const speed = Math.hypot(dx, dy);
      return {
        ...put(a * c, b * s),
        tx: (cos * dx - sin * dy) / speed,
        ty: (sin * dx + cos * dy) / speed,
        curvature: (a * b) / speed ** 3,
      };
    }),
  );
}
