/** Rules of thumb of this folder: starting values, shown as estimates. */
export const STAGE_RULES = {
  /** Factor on setting out and applying on models over crossed features. */
  modelFeatures: 2.5,
  /** Against drips of roller or brush a strip of paper so wide, along the edge, is enough. Metres. */
  dripStripM: 0.3,
  /** Shaking a can, stirring a tin: what is not mixed. */
  makeReady: { gun: 4, can: 2, airbrush: 2, roller: 4, brush: 4 },
  /** Cleaning the gun; stripping it after flakes. */
  gunClean: 12,
  gunStrip: 25,
  /** Emptying and rinsing the gun between two lots of one paint. Minutes. */
  gunRinse: 3,
  /** A barrier coat has to flash before what it separates. */
  barrierFlash: 30,
  /** How likely a metre of show edge goes wrong, by how hard it bends, against a straight one; a rough edge hardly matters. */
  riskPerMetre: { straight: 1, gentle: 1.5, tight: 3, features: 2.5 },
  roughRisk: 0.1,
  /** A metre of a mask that stays on past its window counts as this many metres of straight show edge. */
  keptRisk: 2,
} as const;
