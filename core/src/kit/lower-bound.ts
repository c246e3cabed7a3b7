/**
 * The first whole number from which on a condition holds, by halving.
 * @param holds false up to some number and true from it on
 * @returns `from` to `to`; `to` where it holds nowhere before
 */
export function lowerBound(from: number, to: number, holds: (value: number) => boolean): number {
  let [low, high] = [from, to];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}
