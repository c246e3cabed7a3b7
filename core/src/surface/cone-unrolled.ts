/** A cone unrolled: a sector of a ring. */
export interface ConeSheet {
  readonly slantMm: number;
  /** Sine of half the opening angle; above 0 where the cone widens away from the d1 end. */
  readonly sinHalfAngle: number;
  /** Apex to the small and the big end along the skin; null on a tube, which has none. */
  readonly apexToSmallMm: number | null;
  readonly apexToBigMm: number | null;
  /** Opening of the sector; 0 on a tube. */
  readonly sectorDeg: number;
}

/**
 * Unrolls a cone.
 * @param d1 diameter at one end, mm; @param d2 at the other; @param length along the axis
 * Source: slant = √(length² + (R2 − R1)²), sin α = (R2 − R1) / slant, apex distance R / sin α, sector 360° · sin α.
 */
export function coneSheet(d1: number, d2: number, length: number): ConeSheet {
  const difference = (d2 - d1) / 2;
  const slantMm = Math.hypot(length, difference);
  const sinHalfAngle = difference / slantMm;
  if (difference === 0) return { slantMm, sinHalfAngle: 0, apexToSmallMm: null, apexToBigMm: null, sectorDeg: 0 };
  const steep = Math.abs(sinHalfAngle);
  return {
    slantMm,
    sinHalfAngle,
    apexToSmallMm: Math.min(d1, d2) / 2 / steep,
    apexToBigMm: Math.max(d1, d2) / 2 / steep,
    sectorDeg: 360 * steep,
  };
}

/** Radius a ring round a cone has on the sheet: its apex distance; null on a tube, where it lies straight. */
export function ringRadiusOnSheet(
  d1: number,
  d2: number,
  length: number,
  along: number,
): { readonly girthMm: number; readonly sheetRadiusMm: number | null } {
  const radius = d1 / 2 + ((d2 - d1) / 2) * (along / length);
  const { sinHalfAngle } = coneSheet(d1, d2, length);
  return { girthMm: 2 * Math.PI * radius, sheetRadiusMm: sinHalfAngle === 0 ? null : radius / Math.abs(sinHalfAngle) };
}
