import { RULE_OF_THUMB, TOLERANCE } from '../kit';
import type { Tape } from '../tape';
import { stripWidth } from './edge-runs';
import type { MaskedPart } from './run';

/** What covers a strip by itself. */
export interface StripTapes {
  readonly widthMm: number;
  /** True if no tape has its width: a wider one is slit. */
  readonly slit: boolean;
  /** Tapes of the width of the strip, with slit ones at their slit width. */
  readonly tapes: readonly Tape[];
}

/**
 * The tapes that cover a strip alone: as wide as it, or slit to its width where it is narrow and of an odd one.
 * @returns null for an area that is no strip, and for one that takes more than one tape
 */
export function stripTapes(
  { arrangement }: Pick<MaskedPart, 'arrangement'>,
  area: number,
  tapes: readonly Tape[],
): StripTapes | null {
  const width = stripWidth(arrangement.areas[area]!, area, arrangement.borders);
  if (width === null) return null;
  const crisp = tapes.filter(({ edge }) => edge === 'crisp');
  const exact = crisp.filter(({ widthMm }) => Math.abs(widthMm - width) <= TOLERANCE.tapeWidth);
  if (exact.length > 0) return { widthMm: exact[0]!.widthMm, slit: false, tapes: exact };
  const wider = crisp.filter(({ kind, widthMm }) => kind !== 'T' && widthMm > width);
  if (width > RULE_OF_THUMB.slitWidest || width < RULE_OF_THUMB.slitNarrowest || wider.length === 0) return null;
  return { widthMm: width, slit: true, tapes: wider.map((tape) => ({ ...tape, widthMm: width })) };
}
