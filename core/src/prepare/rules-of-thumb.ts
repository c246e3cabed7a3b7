/** Rules of thumb of this folder: starting values, shown as estimates. */
export const PREPARE_RULES = {
  /** Washing before any tape: for each cleaner, and per square metre. */
  washFixed: 4,
  washPerSquareMetre: 3,
  /** Time part and tape stay in a warm room if it is cold, min: overnight. */
  warmFor: 720,
} as const;
