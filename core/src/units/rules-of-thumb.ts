/**
 * Figures that shops differ on. None is physics: each is a starting value, shown as an estimate.
 * Rates are minutes unless the name says otherwise.
 */
export const RULE_OF_THUMB = {
  /** Laying a metre of edge, by how hard it bends: crisp edge and rough edge. */
  layPerMetre: {
    straight: { crisp: 0.8, rough: 0.4 },
    gentle: { crisp: 1.6, rough: 0.6 },
    tight: { crisp: 3.5, rough: 1.0 },
  },
  /** Handling one piece of tape at full size and on models. */
  perPiece: { full: 0.3, model: 0.8 },
  /** Setting out a crisp line: per metre, and per measured point. */
  setOutPerMetre: 1.0,
  setOutPerPoint: 0.5,
  /** Pulling a metre of tape, and each piece. */
  pullPerMetre: 0.25,
  pullPerPiece: 0.1,
  /** Covering a square metre with paper or film. */
  drapePerSquareMetre: 4,
  /** Spraying: fixed per coat whatever the area; mixing; cleaning the gun; stripping it after flakes. */
  perCoat: 3,
  mix: 8,
  gunClean: 12,
  gunStrip: 25,
  /** Minutes to spray one square metre. */
  sprayPerSquareMetre: { gun: 1.5, can: 4, airbrush: 60, roller: 3, brush: 8 },
  /** What an idle minute of waiting weighs against a minute of work when orders are compared. */
  waitingShare: 0.1,
  /** A bend is tight below this radius, gentle below the next, straight above it. Millimetres. */
  tightBelowMm: 100,
  straightAboveMm: 2000,
  /** Mean stretch up to this is given without thinking; a wider tape is worth it. */
  easyStretch: 0.03,
  /** Free end left on each piece so that it can be found and pulled. Millimetres. */
  tail: { full: 20, model: 8 },
  /** From this scale on, piece and tail figures of models apply: 1:12 is the largest common model. */
  modelScale: 12,
  /** Share of the touch-dry time within which an edge still flows when the tape comes off. */
  wetShareOfTouch: 0.2,
  /** The touch school closes at this many touch-dry times, if through-dry does not come first. */
  touchCloseFactor: 3,
  /** Tape stays in its clean-removal time half as long for each of these degrees above 23 °C. */
  dwellHalvesPerC: 15,
  /** Surface must be this much above the dew point. Degrees C. */
  dewMarginC: 3,
  /** Below this air temperature most adhesives do not wet out. Degrees C. */
  coldC: 10,
  /** A colour difference (CIEDE2000) below this counts as hidden. */
  hidingTolerance: 2,
  /** A line is judged fair in windows of these shares of its length, none shorter than this. Millimetres. */
  fairWindows: [0.08, 0.16, 0.32],
  fairLeastMm: 20,
  /** It wavers where it strays from a fair curve by more than this share of the window: 0.5 mm in 200 mm. */
  fairShare: 1 / 400,
  /** A window in which it turns by more than this holds a bend that was wanted. Radians. */
  fairTurn: 0.6,
  /** A second side that differs is seen where the difference changes by more than this, and so much per mm between two marks. */
  seenLeastMm: 0.5,
  seenPerMm: 1 / 500,
  /** Chords between stations stray from their line at most this far. Millimetres. */
  stationToleranceMm: 0.5,
  /** Curves read from drawings are flattened to this, well below what a printed template shows. Millimetres. */
  fileToleranceMm: 0.01,
  /** More coats than this are not a plan. */
  mostCoats: 20,
} as const;

/** True from the scale on at which model figures for pieces and tails apply. */
export const isModelScale = (scale: number): boolean => scale >= RULE_OF_THUMB.modelScale;
