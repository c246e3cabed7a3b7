/** Rules of thumb of this folder: starting values, shown as estimates. */
export const DRYING_RULES = {
  /** Tape stays in its clean-removal time half as long for each of these degrees above 23 °C. */
  dwellHalvesPerC: 15,
  /** Factor on the use of a tape's clean time in the sun. */
  sunUsesDwell: 3,
  /** Share of its cure a film needs before it goes back to that: fittings screwed on, polishing, washing by hand, launching, flying. */
  serviceShareOfCure: { hardware: 0.15, polish: 0.3, wash: 0.5, water: 1, flight: 1 },
} as const;
