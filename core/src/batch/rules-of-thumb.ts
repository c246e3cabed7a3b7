/** Rules of thumb of this folder: starting values, shown as estimates. */
export const BATCH_RULES = {
  /** Turning from painting to pulling and back, where sections are done in turns: gun down, gloves wiped. Minutes; it only weighs how often. */
  changeHands: 1,
} as const;
