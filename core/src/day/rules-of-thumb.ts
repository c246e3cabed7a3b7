/** Rules of thumb of this folder: starting values, shown as estimates. */
export const DAY_RULES = {
  /** People whose minutes of a sort of work differ by less than this share are as quick as each other. */
  samePace: 0.05,
  /** Maximum time the paint of one job waits in the gun for the next, min. */
  standsInGun: 60,
} as const;
