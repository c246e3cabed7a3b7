/** Rules of thumb of this folder: starting values, shown as estimates. */
export const PROBLEM_RULES = {
  /** Setting out a crisp line: per metre, and per measured point. */
  setOutPerMetre: 1.0,
  setOutPerPoint: 0.5,
  /** Setting out a straight line: minutes per line, and per metre. */
  setOutStraight: 1.5,
  setOutStraightPerMetre: 0.1,
  /** A bend is tight below this radius, gentle below the next, straight above it. Millimetres. */
  tightBelowMm: 100,
  straightAboveMm: 2000,
} as const;
