import type { BatchSays } from '@lintrel/core';
import { showMinutes } from '@lintrel/core/front';
import type { WordsOf } from '../table';

/** Why strips cannot be pulled in time, and what would help. */
export const BATCHES: WordsOf<BatchSays> = {
  'batch.pull-too-long': ({ longestPullMin, leastToMin }) =>
    `A pull takes longer than its window is open. It would do if ${longestPullMin > 0 ? `one took ${showMinutes(longestPullMin)} at most (shorter strips, a second person), or if ` : ''}the window closed no sooner than ${showMinutes(leastToMin)} after painting (slower thinner, cooler air).`,
};
