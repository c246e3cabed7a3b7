import type { Finish } from './finish';

/**
 * A finish with the times learned in this shop. A factor from touch tests lengthens the time until it takes tape, is
 * dry through or cured, but never shortens it: a finger does not feel the depth of a film. A recoat limit is never
 * later than on the data sheet.
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
