/** Rules of thumb of this folder: starting values, shown as estimates. */
export const FINISH_RULES = {
  /** What one spray can holds, ml. */
  canMl: 400,
  /** A card holds for grounds that differ from its own by no more than this (CIEDE2000). */
  likeGround: 6,
} as const;
