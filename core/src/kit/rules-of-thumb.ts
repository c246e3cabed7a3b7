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
  /** A corner of a line, and a plug in an opening; taking a plug out. */
  perCorner: 0.3,
  perPlug: 1.5,
  perPlugOut: 0.3,
  /** Pulling a metre of tape, and each piece. */
  pullPerMetre: 0.25,
  pullPerPiece: 0.1,
  /** Folding paper or film up and taking it away: per square metre, and per piece. */
  uncoverPerSquareMetre: 0.5,
  uncoverPerPiece: 0.1,
  /** Covering a square metre with paper or film. */
  drapePerSquareMetre: 4,
  drapePerPiece: 0.6,
  /** What hangs loose over something larger, and how far from an edge it is laid with care; minutes a square metre, metres. */
  bagPerSquareMetre: 0.6,
  pressedM: 0.3,
  /** Area of film over everything the parts belong to, by kind of job, m²; for models at their own size. */
  bodyM2: { road: 25, boat: 20, aircraft: 40, model: 0.2, other: 6 },
  /** Spraying: fixed per coat whatever the area; mixing. */
  perCoat: 3,
  mix: 8,
  /** The check before colour: wiping, tacking, pressing edges. */
  gate: 3,
  /** Abrading and cleaning before a coat: per square metre, and each time it is done. */
  abradePerSquareMetre: 8,
  abradeFixed: 5,
  /**
   * Maximum film temperature for heating air-drying paint, °C; many parts, models and tapes allow less: the data
   * sheet decides.
   */
  heatMostC: 60,
  /** Scuffing and cleaning a film whose recoat limit has passed, before the next coat of a day's plan. Minutes. */
  scuffBetweenCoats: 20,
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
  /** Typical prices where the shelf has none: a litre of paint, a metre of tape, a square metre of cover. Money of your own. */
  pricePerLitre: 60,
  pricePerTapeMetre: 0.15,
  pricePerDrapeM2: 0.4,
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
  /** Metres on a roll, by kind of tape; share of it that is left at ends and cannot be used. */
  rollM: { V: 33, F: 55, W: 18, M: 18, P: 50, C: 50, G: 50, X: 10, T: 10 },
  tapeWaste: 0.05,
  /** Width of the line tape of an edge whose own tape is not chosen. Millimetres. */
  usualLineTape: { full: 6, model: 2 },
  /** Overlap of the pieces of a backing. Millimetres. */
  pieceOverlap: { full: 10, model: 3 },
  /** A backing that carries paper or film is at least so wide. Millimetres. */
  backingMm: { full: 18, model: 6 },
  /** Free end left on each piece so that it can be found and pulled. Millimetres. */
  tail: { full: 20, model: 8 },
  /** From this scale on, piece and tail figures of models apply: 1:12 is the largest common model. */
  modelScale: 12,
  /** Share of the touch-dry time within which an edge still flows when the tape comes off. */
  wetShareOfTouch: 0.2,
  /** The touch-dry window closes at this multiple of touch-dry, unless dry-through comes first. */
  touchCloseFactor: 3,
  /** Surface must be this much above the dew point. Degrees C. */
  dewMarginC: 3,
  /** Below this air temperature most adhesives do not wet out. Degrees C. */
  coldC: 10,
  /** From this number of coats on, a colour is reported as a weak choice. */
  manyCoats: 5,
  /** A colour difference (CIEDE2000) below this is hidden. */
  hidingTolerance: 2,
  /** Chords between stations stray from their line at most this far. Millimetres. */
  stationToleranceMm: 0.5,
  /**
   * A covered strip of odd width is slit from a wider tape, between these widths; minutes to slit, per metre and per
   * strip.
   */
  slitWidest: 12,
  slitNarrowest: 0.4,
  slitPerMetre: 1,
  slitEach: 1,
  /** Film round a shape that is cut from it. Millimetres. */
  cutMargin: 20,
  /** More coats than this are not a plan. */
  mostCoats: 20,
} as const;

/** True from the scale on at which model figures for pieces and tails apply. */
export const isModelScale = (scale: number): boolean => scale >= RULE_OF_THUMB.modelScale;
