import type { DryingAir } from '../air';
import type { PaintSystemKey } from '../finish';
import type { Tape } from '../tape';
import { filmBond } from './hold';
import { MASKING_RULES } from './rules-of-thumb';

/** What a tape did round cans: the smallest it laid clean round, the largest it pleated or crept back round; null: not tried. */
export interface BendTest {
  readonly cleanMm: number | null;
  readonly failedMm: number | null;
}

/**
 * Safe stretch of a tape from a bend test: what the clean can requires, or half-way to what the failed one would
 * require; if it only failed, no more than its present figure.
 * @returns fraction; null if the test is empty or contradicts itself
 * Source: outer edge strain (1 − f)(R + w)/R − 1, solved for the stretch; the tape lies outside the bend
 */
export function stretchFromBendTest(
  { widthMm, fold, stretch }: Pick<Tape, 'widthMm' | 'fold' | 'stretch'>,
  { cleanMm, failedMm }: BendTest,
): number | null {
  const needed = (diameterMm: number) => Math.max(0, ((1 - fold) * (diameterMm / 2 + widthMm)) / (diameterMm / 2) - 1);
  if (cleanMm !== null && failedMm !== null)
    return cleanMm > failedMm ? (needed(cleanMm) + needed(failedMm)) / 2 : null;
  if (cleanMm !== null) return Math.max(stretch, needed(cleanMm));
  return failedMm === null ? null : Math.min(stretch, needed(failedMm));
}

/** What came of a tape stuck on a paint of an age. */
export interface StickTest {
  readonly result: 'clean' | 'lifted' | 'let-go';
  readonly paint: PaintSystemKey;
  readonly ageMin: number;
  /** Surface when it was laid, °C. */
  readonly surfaceC: number;
}

/**
 * Figures of a tape from a stick test. If paint came off, the tape grips at least as hard as that paint holds; if it
 * came off clean, it grips no harder than a test pull allows; if it let go, it was too cold for it.
 * @returns the changed figures; empty if the test agrees with the present ones
 */
export function gripFromStickTest(
  tape: Pick<Tape, 'adhesionN25' | 'minApplyC'>,
  { result, paint, ageMin, surfaceC }: StickTest,
  air: DryingAir,
): Pick<Tape, 'adhesionN25' | 'minApplyC'> {
  const { adhesionN25, minApplyC } = tape;
  if (result === 'let-go') return { adhesionN25, minApplyC: Math.max(minApplyC, surfaceC + 1) };
  const most =
    filmBond({ system: paint, finish: null, ageMin, onBarePlastic: false }, air) / MASKING_RULES.liftMargin.test;
  return { adhesionN25: result === 'lifted' ? Math.max(adhesionN25, most) : Math.min(adhesionN25, most), minApplyC };
}
