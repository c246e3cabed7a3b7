/** Rules of thumb of this folder: starting values, shown as estimates. */
export const LINE_RULES = {
  /** A line is judged fair in windows of these shares of its length, none shorter than this. Millimetres. */
  fairWindows: [0.08, 0.16, 0.32],
  fairLeastMm: 20,
  /** It wavers where it strays from a fair curve by more than this share of the window: 0.5 mm in 200 mm. */
  fairShare: 1 / 400,
  /** A window in which it turns by more than this holds a bend that was wanted. Radians. */
  fairTurn: 0.6,
  /**
   * A difference between the sides is visible if it changes by more than this, and by this much per mm between two
   * marks.
   */
  seenLeastMm: 0.5,
  seenPerMm: 1 / 500,
} as const;
