import { arcPath, distance, type Path, type PathPoint, type Point, withArcLength } from '../curves';
import { messageWithoutValues, TOLERANCE } from '../kit';
import { tooManySegments } from './budget';
import type { LineMessage } from './messages';

/** Maximum number of waves: a mistyped pitch would take minutes to compute. Rule of thumb. */
const MOST_WAVES = 500;

/**
 * A wave or a row of scallops along a straight base.
 * Whole waves only: the pitch is stretched or squeezed until they fill the length.
 * @param height wave: from trough to crest; scallop: rise of each bow above the base, to the left of it
 * @returns the path, or what is wrong with it
 */
export function wavePath(
  from: Point,
  to: Point,
  pitch: number,
  height: number,
  shape: 'wave' | 'scallop',
): Path | LineMessage {
  const length = distance(from, to);
  if (length < TOLERANCE.grid) return messageWithoutValues('line.same-place');
  const count = Math.max(1, Math.round(length / pitch));
  if (count > MOST_WAVES) return { code: 'line.too-many-waves', values: { waves: count, most: MOST_WAVES } };
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const put = (along: number, up: number): Point => ({
    x: from.x + ux * along - uy * up,
    y: from.y + uy * along + ux * up,
  });
  return shape === 'wave'
    ? sine(length, count, height / 2, put, ux, uy)
    : (scallops(length, count, height, put) ?? messageWithoutValues('line.scallop-high'));
}

function sine(
  length: number,
  count: number,
  rise: number,
  put: (along: number, up: number) => Point,
  ux: number,
  uy: number,
): Path | LineMessage {
  const k = (2 * Math.PI * count) / length;
  const bend = rise * k * k;
  const steps = Math.max(
    40 * count,
    Math.ceil(length / Math.sqrt((8 * TOLERANCE.flatten) / Math.max(bend, TOLERANCE.rounding))),
    Math.ceil(1 / TOLERANCE.curvatureShare),
  );
  // One that is too fine is not drawn first.
  const trouble = tooManySegments(steps);
  if (trouble) return trouble;
  return withArcLength(
    Array.from({ length: steps + 1 }, (_, step) => {
      const along = (length * step) / steps;
      const slope = rise * k * Math.cos(k * along);
      const speed = Math.hypot(1, slope);
      const second = -rise * k * k * Math.sin(k * along);
      return {
        ...put(along, rise * Math.sin(k * along)),
        tx: (ux - uy * slope) / speed,
        ty: (uy + ux * slope) / speed,
        curvature: second / speed ** 3,
      };
    }),
  );
}

function scallops(
  length: number,
  count: number,
  height: number,
  put: (along: number, up: number) => Point,
): Path | null {
  const width = length / count;
  if (height > width / 2 + TOLERANCE.rounding) return null;
  const bows: Omit<PathPoint, 'at'>[] = [];
  for (let index = 0; index < count; index++) {
    const bow = arcPath(put(index * width, 0), put((index + 0.5) * width, height), put((index + 1) * width, 0));
    if (!bow) return null;
    bows.push(...bow);
  }
  return withArcLength(bows);
}
