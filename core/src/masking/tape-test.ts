import type { DryingAir } from '../air';
import type { PaintSystemKey } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import type { Tape } from '../tape';
import { filmBond } from './hold';

/** What a tape did round cans: the smallest it laid clean round, the largest it pleated or crept back round; null: not tried. */
export interface BendTest {
  readonly cleanMm: number | null;
  readonly failedMm: number | null;
}

/**
 * Safe stretch of a tape as a bend test has it: what the clean can asks for, or half-way to what the failed one would; never more than was
 * seen to hold where only failure was seen.
 * @returns share; null where the test says nothing, or both cans contradict one another
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
 * Figures of a tape as a stick test has them. Paint that came off with it means that it grips at least as hard as that paint holds; one that
 * came off clean, that it grips no harder than a test pull allows; one that let go, that it was too cold for it.
 * @returns what changes; the tape's own figures where the test agrees with them
 */
export function gripFromStickTest(
  tape: Pick<Tape, 'adhesionN25' | 'minApplyC'>,
  { result, paint, ageMin, surfaceC }: StickTest,
  air: DryingAir,
): Pick<Tape, 'adhesionN25' | 'minApplyC'> {
  const { adhesionN25, minApplyC } = tape;
  if (result === 'let-go') return { adhesionN25, minApplyC: Math.max(minApplyC, surfaceC + 1) };
  const most =
    filmBond({ system: paint, finish: null, ageMin, onBarePlastic: false }, air) / RULE_OF_THUMB.liftMargin.test;
  return { adhesionN25: result === 'lifted' ? Math.max(adhesionN25, most) : Math.min(adhesionN25, most), minApplyC };
}
