/** Rules of thumb of this folder: starting values, shown as estimates. */
export const MASKING_RULES = {
  /** A post, or one small thing that sticks out. */
  perPost: 0.7,
  /** From this size on, one cover stays until nothing beside it is wet. Square metres. */
  largeCoverM2: 1,
  /** How far overspray is covered beyond an edge, by what the paint is put on with; a gun fogs the whole object. Millimetres. */
  reachMm: { gun: Infinity, can: 800, airbrush: 200, roller: 300, brush: 50 },
  /** How strongly a cured film holds to what is below it, by its system. N/25 mm. */
  filmBond: {
    'base-solvent': 18,
    'two-part': 40,
    'clear-two-part': 40,
    'base-water': 16,
    'can-lacquer': 18,
    'can-enamel': 25,
    'brush-enamel': 25,
    'air-acrylic': 9,
    'air-lacquer': 18,
    dope: 20,
    'fabric-urethane': 40,
    boottop: 25,
    antifouling: 9,
    peelable: 1,
    'etch-primer': 18,
    'filler-primer': 40,
    varnish: 20,
  },
  /** Airbrush acrylic on bare plastic; varnish that is younger than its cure. N/25 mm. */
  bareStyreneBond: 4,
  doubtfulVarnishBond: 6,
  /** Fraction of grip left after sticking a tape to clean cloth; and its growth until its clean time is over. */
  deTack: { 0: 1, 1: 0.75, 3: 0.5 },
  gripGrowth: 0.3,
  /** Hold of a film over the grip of a tape: from here on safe, from here on with a test pull first. */
  liftMargin: { safe: 2.5, test: 1 },
} as const;
