import type { Point } from '../curves';
import { TOLERANCE } from '../kit';

/** A place on the integer grid of 1 µm; orientation is exact there in doubles. */
export interface GridPoint {
  readonly x: number;
  readonly y: number;
}

// Coordinates are shifted by this before packing, so that keys are positive and stay under 2^53.
const SHIFT = 2 ** 25;
const SPAN = 2 ** 26;

/** Nearest grid place, in µm. */
export const toGrid = ({ x, y }: Point): GridPoint => ({
  x: Math.round(x / TOLERANCE.grid),
  y: Math.round(y / TOLERANCE.grid),
});

/** Grid place in millimetres. */
export const fromGrid = ({ x, y }: GridPoint): Point => ({ x: x * TOLERANCE.grid, y: y * TOLERANCE.grid });

/** One number for a grid place; throws outside ±33 m, where keys would collide. */
export function gridKey({ x, y }: GridPoint): number {
  if (Math.abs(x) >= SHIFT || Math.abs(y) >= SHIFT) throw new RangeError(`place ${x}, ${y} µm lies outside the grid`);
  return (x + SHIFT) * SPAN + (y + SHIFT);
}

/** Which side of a→b the place c lies: above 0 left, below 0 right, 0 on the line; exact. */
export const orientation = (a: GridPoint, b: GridPoint, c: GridPoint): number =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
