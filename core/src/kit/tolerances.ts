/** Tolerances of all computations, each with its reason. Lengths in millimetres. */
export const TOLERANCE = {
  /** Numbers that differ by less are equal: what doubles lose in a few operations on numbers of this size. */
  rounding: 1e-9,
  /** A determinant or step smaller than this is zero: dividing by it would give noise. */
  zero: 1e-12,
  /** Positions along a line that differ by less are the same. */
  along: 1e-6,
  /** Consecutive samples of a curve nearer than this are one. */
  sample: 1e-4,
  /** Moments that differ by less are the same, minutes: far below a second. */
  timeMin: 1e-6,
  /** Curvature below which a line is straight, 1/mm: a radius of 10 km. */
  straight: 1e-7,
  /** Pieces on a seam or an edge that overlap by less than this only touch: twice the grid. */
  touch: 2e-3,
  /** Linear light may leave 0 to 1 by this much through rounding of measured colours. */
  colour: 1e-4,
  /** Chords stray at most this far from a curve: below what a trimmed edge shows. */
  flatten: 0.05,
  /** The arrangement is computed on this grid: 1 µm, far below any tape, exact in doubles up to 47 m. */
  grid: 0.001,
  /** An end nearer than this to a line or edge was meant to touch it; a hundredth of a millimetre is a gap. */
  snap: 0.005,
  /** Areas narrower than this are reported as slivers: no tape or hand is that accurate. */
  sliverWidth: 0.5,
  /** Faces thinner than this lie between lines on top of each other: less than chords may stray from their curves. */
  hair: 0.03,
  /** A strip is one tape wide within this: the cutting tolerance of slit rolls. */
  tapeWidth: 0.1,
  /** Curvature is sampled at least this often along a line, as a share of its length. */
  curvatureShare: 1 / 200,
} as const;

/** Longest coordinate accepted, in millimetres: 30 m, beyond any part that is masked in one piece. */
export const MAX_COORDINATE_MM = 30_000;
