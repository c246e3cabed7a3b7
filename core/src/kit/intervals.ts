/** From where to where along something. */
export type Interval = readonly [from: number, to: number];

/** Stretches in order; those that meet, or nearly do, are one. */
export function mergeIntervals(stretches: readonly Interval[], leeway = 0): Interval[] {
  const joined: [number, number][] = [];
  for (const [from, to] of [...stretches].sort(([a], [b]) => a - b)) {
    const last = joined.at(-1);
    if (last && from <= last[1] + leeway) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  return joined;
}
