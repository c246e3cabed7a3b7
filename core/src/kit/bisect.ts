/**
 * The place between two numbers at which a condition stops to hold, by halving.
 * @param holds true at `low`, false at `high`; @param times how often the stretch is halved
 */
export function bisect(low: number, high: number, times: number, holds: (value: number) => boolean): number {
  for (let time = 0; time < times; time++) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
