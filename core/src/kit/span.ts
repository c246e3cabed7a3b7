/** A span of minutes after the last coat; `to` null: no end. */
export interface Span {
  readonly from: number;
  readonly to: number | null;
}

/** What several windows leave together: from when the last of them opens until the first closes. */
export function intersectSpans(spans: readonly Span[]): Span {
  const ends = spans.flatMap(({ to }) => (to === null ? [] : [to]));
  return { from: Math.max(...spans.map(({ from }) => from)), to: ends.length > 0 ? Math.min(...ends) : null };
}
