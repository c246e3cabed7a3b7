/** Round tick steps, minutes. */
const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 720, 1440, 2880, 7200, 14_400, 43_200];

/** A round step that marks a span with about `wanted` ticks. */
export const tickStep = (spanMin: number, wanted: number): number =>
  STEPS_MIN.find((step) => spanMin / step <= wanted) ?? STEPS_MIN[STEPS_MIN.length - 1]!;

/** Multiples of a step inside a span, its end left out so that its label is not cut. */
export function ticksIn(from: number, to: number, step: number): number[] {
  const ticks: number[] = [];
  for (let tick = Math.ceil(from / step) * step; tick < to - step * 0.4; tick += step) ticks.push(tick);
  return ticks;
}
