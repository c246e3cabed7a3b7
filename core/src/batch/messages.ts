/** Why strips cannot be pulled in time. */
export interface BatchMessages {
  /** One pull takes longer than its window is open: no longer than this, or a window that closes no sooner, would do; minutes. */
  readonly 'batch.pull-too-long': { readonly longestPullMin: number; readonly leastToMin: number };
}
