/** One coordinate over knots: values and second derivatives there, a cubic in between. */
export interface Spline {
  readonly knots: readonly number[];
  readonly values: readonly number[];
  readonly seconds: readonly number[];
}

/**
 * Cubic spline through values: first and second derivative both run on without a break.
 * @param knots rising
 * @param startSlope slope at the first knot; null leaves that end natural (second derivative 0)
 * @param endSlope the same at the last knot
 * Source: tridiagonal system of the cubic spline, solved by elimination (de Boor, A Practical Guide to Splines, 1978).
 */
export function cubicSpline(
  knots: readonly number[],
  values: readonly number[],
  startSlope: number | null = null,
  endSlope: number | null = null,
): Spline {
  const count = values.length;
  const last = count - 1;
  const gap = (i: number) => knots[i + 1]! - knots[i]!;
  const slope = (i: number) => (values[i + 1]! - values[i]!) / gap(i);
  const upper = new Array<number>(count).fill(0);
  const right = new Array<number>(count).fill(0);
  if (startSlope !== null) {
    upper[0] = 0.5;
    right[0] = (3 * (slope(0) - startSlope)) / gap(0);
  }
  for (let i = 1; i < last; i++) {
    const pivot = 2 * (gap(i - 1) + gap(i)) - gap(i - 1) * upper[i - 1]!;
    upper[i] = gap(i) / pivot;
    right[i] = (6 * (slope(i) - slope(i - 1)) - gap(i - 1) * right[i - 1]!) / pivot;
  }
  if (endSlope !== null && last > 0) {
    const pivot = 2 * gap(last - 1) - gap(last - 1) * upper[last - 1]!;
    right[last] = (6 * (endSlope - slope(last - 1)) - gap(last - 1) * right[last - 1]!) / pivot;
  }
  const seconds = right;
  for (let i = last - 1; i >= 0; i--) seconds[i]! -= upper[i]! * seconds[i + 1]!;
  return { knots, values, seconds };
}

/** Value, first and second derivative at a share (0…1) of the span that starts at knot `span`. */
export function splineAt(
  { knots, values, seconds }: Spline,
  span: number,
  share: number,
): readonly [number, number, number] {
  const width = knots[span + 1]! - knots[span]!;
  const a = 1 - share;
  const b = share;
  const value =
    a * values[span]! +
    b * values[span + 1]! +
    (((a ** 3 - a) * seconds[span]! + (b ** 3 - b) * seconds[span + 1]!) * width * width) / 6;
  const first =
    (values[span + 1]! - values[span]!) / width +
    ((-(3 * a * a - 1) * seconds[span]! + (3 * b * b - 1) * seconds[span + 1]!) * width) / 6;
  return [value, first, a * seconds[span]! + b * seconds[span + 1]!];
}
