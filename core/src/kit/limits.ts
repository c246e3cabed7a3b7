/**
 * Limits of what is computed: far above what is masked in one piece, and low enough that a part takes about a
 * second. Rules of thumb, measured on two slow cores.
 */
export const LIMITS = {
  /** Times a line goes round a tube or cone. */
  turns: 200,
  /** Straight pieces one line is drawn in. */
  linePieces: 30_000,
  /** Straight pieces all lines of a part are drawn in, and how many strokes they have (a band has two, a letter some). */
  partPieces: 60_000,
  strokes: 1_500,
  /** Corners of all openings and zones of a part, flattened. */
  rimCorners: 20_000,
  /** Intersections of the lines of a part with each other, its outline and its openings. */
  meetings: 25_000,
  /** Lines made from one another, one behind the other, while none of them is made yet: only a ring of them is that deep. */
  deep: 400,
  /** Finishes of one scheme: sets of them are numbers of as many bits, and below 32 their sign bit is free. */
  finishes: 30,
} as const;

/** The arrangement is exact up to this far from the origin of a sheet, mm. */
export const MAX_DISTANCE_MM = 33_000;
