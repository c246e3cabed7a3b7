import { maxOf, minOf } from '../kit';
import type { Feature, ZoneShape } from '../surface';

/** An opening as it is measured. */
export type Opening = Extract<Feature, { kind: 'opening' }>;

/** Width and height as measured from its datum, and which of them is the lesser and the greater, mm. */
export interface OpeningSize {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly narrow: number;
  readonly wide: number;
}

/** How large an opening is. */
export function sizeOf(shape: ZoneShape): OpeningSize {
  const [widthMm, heightMm] = extent(shape);
  return { widthMm, heightMm, narrow: Math.min(widthMm, heightMm), wide: Math.max(widthMm, heightMm) };
}

function extent(shape: ZoneShape): readonly [number, number] {
  if (shape.kind === 'round') return [shape.diameter, shape.diameter];
  if (shape.kind === 'window') return [shape.width, shape.height];
  const across = (axis: 'along' | 'above') => {
    const all = shape.points.map((point) => point[axis]);
    return maxOf(all) - minOf(all);
  };
  return [across('along'), across('above')];
}

/** Radius of its corners, mm; 0: sharp ones. */
export const cornerOf = (shape: ZoneShape): number =>
  shape.kind === 'round'
    ? shape.diameter / 2
    : shape.kind === 'window'
      ? Math.min(shape.corner, shape.width / 2, shape.height / 2)
      : 0;

/** Length of its outline, mm. */
export function rimOf(shape: ZoneShape): number {
  if (shape.kind === 'round') return Math.PI * shape.diameter;
  if (shape.kind === 'window') return 2 * (shape.width + shape.height) - (8 - 2 * Math.PI) * cornerOf(shape);
  return shape.points.reduce((sum, point, index) => {
    const next = shape.points[(index + 1) % shape.points.length]!;
    return sum + Math.hypot(next.along - point.along, next.above - point.above);
  }, 0);
}

/** Foam strip is sold in these, mm across. Source: the shelf that ships. */
export const FOAM_MM = [6, 10, 13, 19] as const;
/** The thickest of them. */
export const THICKEST_FOAM_MM = FOAM_MM[FOAM_MM.length - 1]!;

/** Foam strip one size over a gap, mm across; null where none is so thick. */
export const foamFor = (gapMm: number): number | null => FOAM_MM.find((size) => size > gapMm) ?? null;
