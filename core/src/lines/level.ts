import { TOLERANCE } from '../kit';
/** A level line along a tube that rises. */
export interface LevelLine {
  readonly diameterMm: number;
  /** Height of the level above the axis where x is 0. */
  readonly heightMm: number;
  readonly pitchDeg: number;
  readonly lengthMm: number;
  readonly stepMm: number;
}

/** Where the level lies at one distance along the tube; null where it misses. */
export interface LevelPoint {
  readonly x: number;
  readonly angleDeg: number | null;
  readonly girthFromTopMm: number | null;
}

/**
 * Angles of a level line from the top of a tube, at even steps and at the end.
 * @returns rows in order; null angles where the level lies above or below the tube
 * Source: cos φ = (height − x·sin pitch) / (r·cos pitch).
 */
export function levelLineOnTube({ diameterMm, heightMm, pitchDeg, lengthMm, stepMm }: LevelLine): LevelPoint[] {
  const pitch = (pitchDeg * Math.PI) / 180;
  const radius = diameterMm / 2;
  const count = Math.floor(lengthMm / stepMm + TOLERANCE.rounding);
  const xs = Array.from({ length: count + 1 }, (_, index) => index * stepMm);
  if (lengthMm - xs[count]! > TOLERANCE.along) xs.push(lengthMm);
  return xs.map((x) => {
    const cos = (heightMm - x * Math.sin(pitch)) / (radius * Math.cos(pitch));
    if (Math.abs(cos) > 1) return { x, angleDeg: null, girthFromTopMm: null };
    const angle = Math.acos(cos);
    return { x, angleDeg: (angle * 180) / Math.PI, girthFromTopMm: angle * radius };
  });
}

/** Length that goes once round a tube with some of it over itself, mm. Source: π(D + 2·thickness) + overlap. */
export const wrapLength = (diameterMm: number, thicknessUm: number, overlapMm: number): number =>
  Math.PI * (diameterMm + (2 * thicknessUm) / 1000) + overlapMm;
