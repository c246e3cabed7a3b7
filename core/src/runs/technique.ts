import type { Fit } from '../tape';

export interface Technique {
  /** What the hand does. */
  readonly how: string;
  readonly why: string;
}

/** Rule table: how to lay a run, from what its tape must do, first match wins. */
export function techniqueFor(fit: Fit, oneTapeWide: boolean): Technique {
  if (fit.verdict === 'too-tight' || fit.verdict === 'impossible') {
    return { how: 'End the run before the bend, overlap a fresh piece, trim on the tape.', why: 'The tape would pleat or creep back here.' };
  }
  if (oneTapeWide) {
    return { how: 'Lay one tape down the strip; press both its edges.', why: 'The strip is one tape wide: both edges are the line.' };
  }
  if (fit.verdict === 'stretch') {
    const percent = fit.stretch * 100;
    return {
      how: `Steer with the free hand and stretch about ${percent.toFixed(percent < 1 ? 1 : 0)} %.`,
      why: 'Less leaves pleats on the inner edge, each one a leak.',
    };
  }
  if (fit.worstRadiusMm === null) {
    return {
      how: 'Tack one end, unroll past the other, sight along it, set it down as one, press.',
      why: 'A tape under light tension is straighter than a hand.',
    };
  }
  return { how: 'Steer with the free hand, no stretch.', why: 'The bend is wide enough for this tape as it is.' };
}
