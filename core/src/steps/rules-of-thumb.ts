/** Rules of thumb of this folder: starting values, shown as estimates. */
export const STEP_RULES = {
  /** Higher than this one stands on something. Millimetres. */
  reachUp: 1800,
  /** Looking a finished job over. */
  inspect: 5,
} as const;
