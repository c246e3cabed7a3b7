/** Rules of thumb of this folder: starting values, shown as estimates. */
export const RUN_RULES = {
  /** Minimum stretch given to a tape on purpose; below it, steering round the bend is enough. */
  leastStretchGiven: 0.005,
  /** Mean stretch up to this is given without thinking; a wider tape is worth it. */
  easyStretch: 0.03,
  /** One tape lies on another, or on the edge of a cover, by at least this. Millimetres. */
  lap: { full: 2, model: 0.5 },
  /** Backing is held back from the line by so much, if the line tape is wide enough to reach it. Millimetres. */
  backingSetBack: 3,
  /** A tape at least so wide carries paper or film. Millimetres. */
  carries: { full: 12, model: 3 },
  /** A backing stands out beyond its line tape by at least this. Millimetres. */
  standsOut: { full: 8, model: 2 },
  /**
   * Tape along the surroundings, which the cover hangs from, is at least so wide: `long` along edges of this length and more. Millimetres.
   */
  outlineMm: { long: 36, short: 24, longEdge: 300, model: 6 },
  /** Paper that is laid into a gap before something is shut on it, across. Millimetres. */
  shutPaperMm: 300,
  /** A line tape narrower than this lies first, its backing over it, at full size. Millimetres. */
  thinLine: 4,
  /** Beside what is brushed one tape at least so wide is enough. Millimetres. */
  besideBrush: 18,
  /** A tape that would have to be cut off along more than this share of its run gives way to a narrower one. */
  mostTrimmed: 0.1,
  /** Straight pieces of backing round a bend that are shorter than this give way to one flexible tape. Millimetres. */
  shortFacet: { full: 60, model: 15 },
  /**
   * Overlap of a closed line at its start; runs shorter than the second value are applied with tweezers.
   * Millimetres.
   */
  closedOverlap: 10,
  shortRun: 60,
  /** What is painted between two tapes is a gap below this. Millimetres. */
  narrowGap: 3,
  /**
   * Maximum length pulled in one go for a tape that might lift what is below; longer ones come off in lengths of the
   * second value. Millimetres.
   */
  longPeel: 1500,
  peelLength: 1000,
} as const;
