/** Rules of thumb of this folder: starting values, shown as estimates. */
export const STEP_RULES = {
  /** Higher than this one stands on something. Millimetres. */
  reachUp: 1800,
  /** Looking a finished job over, and taking out a plug. */
  inspect: 5,
  perPlugOut: 0.3,
} as const;
