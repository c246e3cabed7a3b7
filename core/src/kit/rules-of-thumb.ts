/** What an order of coats can be optimized for. */
export const AIMS = ['work', 'finish', 'risk', 'material'] as const;
export type Aim = (typeof AIMS)[number];

/**
 * Figures that differ between shops. None is physics: each is a starting value, shown as an estimate.
 * Rates are minutes unless the name says otherwise.
 */
export const RULE_OF_THUMB = {
  /** Laying a metre of edge, by how hard it bends: crisp edge and rough edge. */
  layPerMetre: {
    straight: { crisp: 0.8, rough: 0.4 },
    gentle: { crisp: 1.6, rough: 0.6 },
    tight: { crisp: 3.5, rough: 1.0 },
    features: { crisp: 3.0, rough: 1.2 },
  },
  /** Handling one piece of tape at full size and on models. */
  perPiece: { full: 0.3, model: 0.8 },
  /** A corner of a line, and a plug in an opening. */
  perCorner: 0.3,
  perPlug: 1.5,
  /** A post, or one small thing that sticks out. */
  perPost: 0.7,
  /** Setting out a crisp line: per metre, and per measured point. */
  setOutPerMetre: 1.0,
  setOutPerPoint: 0.5,
  /** Setting out a straight line: minutes per line, and per metre. */
  setOutStraight: 1.5,
  setOutStraightPerMetre: 0.1,
  /** Factor on setting out and applying on models over crossed features. */
  modelFeatures: 2.5,
  /** Pulling a metre of tape, and each piece. */
  pullPerMetre: 0.25,
  pullPerPiece: 0.1,
  /** Covering a square metre with paper or film. */
  drapePerSquareMetre: 4,
  drapePerPiece: 0.6,
  /** What hangs loose over something larger, and how far from an edge it is laid with care; minutes a square metre, metres. */
  bagPerSquareMetre: 0.6,
  pressedM: 0.3,
  /** Against drips of roller or brush a strip of paper so wide, along the edge, is enough. Metres. */
  dripStripM: 0.3,
  /** How far overspray is covered beyond an edge, by what the paint is put on with; a gun fogs the whole object. Millimetres. */
  reachMm: { gun: Infinity, can: 800, airbrush: 200, roller: 300, brush: 50 },
  /** Area of film over everything the parts belong to, by kind of job, m²; for models at their own size. */
  bodyM2: { road: 25, boat: 20, aircraft: 40, model: 0.2, other: 6 },
  /** Folding it up and taking it away. */
  uncoverPerSquareMetre: 0.5,
  uncoverPerPiece: 0.1,
  /** Spraying: fixed per coat whatever the area; mixing; cleaning the gun; stripping it after flakes. */
  perCoat: 3,
  mix: 8,
  /** The check before colour: wiping, tacking, pressing edges. */
  gate: 3,
  /** Shaking a can, stirring a tin: what is not mixed. */
  makeReady: { gun: 4, can: 2, airbrush: 2, roller: 4, brush: 4 },
  gunClean: 12,
  gunStrip: 25,
  /** Emptying and rinsing the gun between two lots of one paint. Minutes. */
  gunRinse: 3,
  /** People whose minutes of a sort of work differ by less than this share are as quick as each other. */
  samePace: 0.05,
  /** Turning from painting to pulling and back, where sections are done in turns: gun down, gloves wiped. Minutes; it only weighs how often. */
  changeHands: 1,
  /** Maximum time the paint of one job waits in the gun for the next, min. */
  standsInGun: 60,
  /** Washing before any tape: for each cleaner, and per square metre. */
  washFixed: 4,
  washPerSquareMetre: 3,
  /** Time part and tape stay in a warm room if it is cold, min: overnight. */
  warmFor: 720,
  /** Higher than this one stands on something. Millimetres. */
  reachUp: 1800,
  /** Looking a finished job over, and taking out a plug. */
  inspect: 5,
  perPlugOut: 0.3,
  /** Abrading and cleaning before a coat: per square metre, and each time it is done. */
  abradePerSquareMetre: 8,
  abradeFixed: 5,
  /**
   * Maximum film temperature for heating air-drying paint, °C; many parts, models and tapes allow less: the data
   * sheet decides.
   */
  heatMostC: 60,
  /**
   * Minimum time after a coat until the air of a ventilated booth may be clear, min; the booth's instructions, the
   * data sheet and local rules take precedence.
   */
  boothClears: 30,
  /** Scuffing and cleaning a film whose recoat limit has passed, before the next coat of a day's plan. Minutes. */
  scuffBetweenCoats: 20,
  /** A barrier coat has to flash before what it separates. */
  barrierFlash: 30,
  /** Minutes to spray one square metre. */
  sprayPerSquareMetre: { gun: 1.5, can: 4, airbrush: 60, roller: 3, brush: 8 },
  /** Lines up to this width are brushed along; minutes per metre and coat. Millimetres, minutes. */
  narrowLineMm: 12,
  brushPerMetre: 0.15,
  /** Fading a finish out: spreading it wider and melting its edge in, once after the last coat. */
  blend: 5,
  /** Sealing a metre of tape edge, and until liquid mask is dry. */
  sealPerMetre: 0.5,
  liquidMaskDry: 20,
  /** Share of the paint that leaves the cup and lands on the part. */
  transfer: { gun: 0.45, can: 0.35, airbrush: 0.3, roller: 0.95, brush: 0.95 },
  /** Paint left in cup and hoses each time, ml. */
  cupLossMl: { gun: 30, can: 10, airbrush: 1, roller: 20, brush: 5 },
  /** What one spray can holds, ml. */
  canMl: 400,
  /** Typical prices where the shelf has none: a litre of paint, a metre of tape, a square metre of cover. Money of your own. */
  pricePerLitre: 60,
  pricePerTapeMetre: 0.15,
  pricePerDrapeM2: 0.4,
  /**
   * The same per m², m, ml or piece of other masking materials; thickness of putty over a recess, amount of liquid
   * mask per metre of edge.
   */
  pricePerSupply: { paper: 0.4, film: 0.1, card: 1.5, bag: 0.1, foam: 0.4, putty: 0.1, 'liquid-mask': 0.15 },
  puttyThickMm: 3,
  liquidMaskPerMetreMl: 0.5,
  /** How likely a metre of show edge goes wrong, by how hard it bends, against a straight one; a rough edge hardly matters. */
  riskPerMetre: { straight: 1, gentle: 1.5, tight: 3, features: 2.5 },
  roughRisk: 0.1,
  /** A metre of a mask that stays on past its window counts as this many metres of straight show edge. */
  keptRisk: 2,
  /** Minutes counted per m² of paint that ends up under another colour, besides its own cost. */
  strayPerM2: 1,
  /** Orders within this fraction of the cheapest cost count as equal: the figures are not more accurate. */
  equalShare: 0.1,
  /** Weights of minutes, waiting, risk and money for each aim. */
  wishes: {
    work: { work: 1, wait: 0.1, risk: 0, money: 0 },
    finish: { work: 1.05, wait: 1, risk: 0, money: 0 },
    risk: { work: 0.1, wait: 0.01, risk: 10, money: 0 },
    material: { work: 0.1, wait: 0.01, risk: 0, money: 10 },
  },
  /** A bend is tight below this radius, gentle below the next, straight above it. Millimetres. */
  tightBelowMm: 100,
  straightAboveMm: 2000,
  /** Minimum stretch given to a tape on purpose; below it, steering round the bend is enough. */
  leastStretchGiven: 0.005,
  /** Mean stretch up to this is given without thinking; a wider tape is worth it. */
  easyStretch: 0.03,
  /** Metres on a roll, by kind of tape; share of it that is left at ends and cannot be used. */
  rollM: { V: 33, F: 55, W: 18, M: 18, P: 50, C: 50, G: 50, X: 10, T: 10 },
  tapeWaste: 0.05,
  /**
   * Backing is held back by half the width of the line tape and lies under it by at least this; overlap of its
   * pieces; areas narrower than the last value are covered without. Millimetres.
   */
  backingOverlap: { full: 2, model: 0.5 },
  /** On a model no tape over a seam is wider. Millimetres. */
  modelSeamMm: 10,
  usualLineTape: { full: 6, model: 2 },
  pieceOverlap: { full: 10, model: 3 },
  backingRoom: { full: 30, model: 8 },
  /** Free end left on each piece so that it can be found and pulled. Millimetres. */
  tail: { full: 20, model: 8 },
  /** From this scale on, piece and tail figures of models apply: 1:12 is the largest common model. */
  modelScale: 12,
  /** Share of the touch-dry time within which an edge still flows when the tape comes off. */
  wetShareOfTouch: 0.2,
  /** Factor on the height of a ridge if the tape comes off wet. */
  wetRidge: 1.5,
  /** Film removed by flatting a clear, and film that must remain over the ridge, µm. */
  sandedUm: 15,
  clearLeftUm: 40,
  /** The touch-dry window closes at this multiple of touch-dry, unless dry-through comes first. */
  touchCloseFactor: 3,
  /** Tape stays in its clean-removal time half as long for each of these degrees above 23 °C. */
  dwellHalvesPerC: 15,
  /** Factor on the use of a tape's clean time in the sun. */
  sunUsesDwell: 3,
  /** Share of its cure a film needs before it goes back to that: fittings screwed on, polishing, washing by hand, launching, flying. */
  serviceShareOfCure: { hardware: 0.15, polish: 0.3, wash: 0.5, water: 1, flight: 1 },
  /** Surface must be this much above the dew point. Degrees C. */
  dewMarginC: 3,
  /** Below this air temperature most adhesives do not wet out. Degrees C. */
  coldC: 10,
  /** Neighbours nearer in colour (CIEDE2000) than this run into each other from a few steps away; further apart than the next, a hard edge shows every waver. */
  contrastLow: 5,
  contrastHigh: 60,
  /** A card holds for grounds that differ from its own by no more than this (CIEDE2000). */
  likeGround: 6,
  /** From this number of coats on, a colour is reported as a weak choice. */
  manyCoats: 5,
  /** A colour difference (CIEDE2000) below this is hidden. */
  hidingTolerance: 2,
  /** A line is judged fair in windows of these shares of its length, none shorter than this. Millimetres. */
  fairWindows: [0.08, 0.16, 0.32],
  fairLeastMm: 20,
  /** It wavers where it strays from a fair curve by more than this share of the window: 0.5 mm in 200 mm. */
  fairShare: 1 / 400,
  /** A window in which it turns by more than this holds a bend that was wanted. Radians. */
  fairTurn: 0.6,
  /**
   * A difference between the sides is visible if it changes by more than this, and by this much per mm between two
   * marks.
   */
  seenLeastMm: 0.5,
  seenPerMm: 1 / 500,
  /** Chords between stations stray from their line at most this far. Millimetres. */
  stationToleranceMm: 0.5,
  /** Curves read from drawings are flattened to this, well below what a printed template shows. Millimetres. */
  fileToleranceMm: 0.01,
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
  /**
   * Overlap of a closed line at its start; runs shorter than the second value are applied with tweezers.
   * Millimetres.
   */
  closedOverlap: 10,
  shortRun: 60,
  /**
   * A covered strip of odd width is slit from a wider tape, between these widths; minutes to slit, per metre and per
   * strip.
   */
  slitWidest: 12,
  slitNarrowest: 0.4,
  slitPerMetre: 1,
  slitEach: 1,
  /** What is painted between two tapes is a gap below this. Millimetres. */
  narrowGap: 3,
  /** An outer tape where a gun is used is so wide. Millimetres. */
  safetyTape: { from: 36, to: 50 },
  /**
   * Maximum length pulled in one go for a tape that might lift what is below; longer ones come off in lengths of the
   * second value. Millimetres.
   */
  longPeel: 1500,
  peelLength: 1000,
  /** More tapes than this on each other are not pressed into a corner. */
  mostLayers: 3,
  /** Film round a shape that is cut from it. Millimetres. */
  cutMargin: 20,
  /** Fraction of grip left after sticking a tape to clean cloth; and its growth until its clean time is over. */
  deTack: { 0: 1, 1: 0.75, 3: 0.5 },
  gripGrowth: 0.3,
  /** Hold of a film over the grip of a tape: from here on safe, from here on with a test pull first. */
  liftMargin: { safe: 2.5, test: 1 },
  /** More coats than this are not a plan. */
  mostCoats: 20,
} as const;

/** True from the scale on at which model figures for pieces and tails apply. */
export const isModelScale = (scale: number): boolean => scale >= RULE_OF_THUMB.modelScale;
