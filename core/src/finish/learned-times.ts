import type { Finish } from './finish';

/** How many times as long as its sheet says a finish takes in this shop. */
export interface LearnedTimes {
  readonly finish: string;
  readonly factor: number;
}

/**
 * A finish with the times it has in this shop. What is learned from touch tests makes it wait longer before it takes tape, is through or
 * cured, but never less than its sheet: a finger says nothing of the depth of a film. A limit to recoat comes no later than on the sheet.
 */
export function withLearnedTimes(finish: Finish, factor: number): Finish {
  if (factor === 1) return finish;
  const least = Math.max(1, factor);
  const most = Math.min(1, factor);
  const recoat = finish.recoat.map(({ fromMin, toMin }) => ({
    fromMin: fromMin * factor,
    toMin: toMin === null ? null : Math.max(fromMin * factor, toMin * most),
  }));
  return {
    ...finish,
    flashMin: finish.flashMin * factor,
    recoat,
    touchMin: finish.touchMin * factor,
    wetLimitMin: finish.wetLimitMin === null ? null : finish.wetLimitMin * factor,
    tapeSafeMin: finish.tapeSafeMin === null ? null : finish.tapeSafeMin * least,
    throughMin: Math.max(finish.throughMin * least, finish.touchMin * factor),
    cureH: finish.cureH === null ? null : finish.cureH * least,
  };
}
