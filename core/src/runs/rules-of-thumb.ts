/** Rules of thumb of this folder: starting values, shown as estimates. */
export const RUN_RULES = {
  /** Minimum stretch given to a tape on purpose; below it, steering round the bend is enough. */
  leastStretchGiven: 0.005,
  /** Mean stretch up to this is given without thinking; a wider tape is worth it. */
  easyStretch: 0.03,
  /** Backing is held back by half the width of the line tape and lies under it by at least this. Millimetres. */
  backingOverlap: { full: 2, model: 0.5 },
  /**
   * Overlap of a closed line at its start; runs shorter than the second value are applied with tweezers.
   * Millimetres.
   */
  closedOverlap: 10,
  shortRun: 60,
  /** What is painted between two tapes is a gap below this. Millimetres. */
  narrowGap: 3,
  /** An outer tape where a gun is used is so wide. Millimetres. */
  safetyTape: { from: 36, to: 50 },
  /**
   * Maximum length pulled in one go for a tape that might lift what is below; longer ones come off in lengths of the
   * second value. Millimetres.
   */
  longPeel: 1500,
  peelLength: 1000,
} as const;
