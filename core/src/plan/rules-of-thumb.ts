/** Rules of thumb of this folder: starting values, shown as estimates. */
export const PLAN_RULES = {
  /** Neighbours nearer in colour (CIEDE2000) than this run into each other from a few steps away; further apart than the next, a hard edge shows every waver. */
  contrastLow: 5,
  contrastHigh: 60,
} as const;
