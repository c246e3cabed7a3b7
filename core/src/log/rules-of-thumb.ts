/** Rules of thumb of this folder: starting values, shown as estimates. */
export const LOG_RULES = {
  /**
   * Minimum time after a coat until the air of a ventilated booth may be clear, min; the booth's instructions, the
   * data sheet and local rules take precedence.
   */
  boothClears: 30,
} as const;
