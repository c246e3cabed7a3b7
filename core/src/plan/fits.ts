import type { Part } from '../job';
import { resolveLines } from '../lines';
import { outlineRing } from '../surface';
import { fitAlong, type Fit, type LineSide, type Tape } from '../tape';
import { rounded } from '../units';

/** How one tape follows a line with its body on each side. */
export interface LineFit {
  readonly tape: string;
  readonly left: Fit;
  readonly right: Fit;
}

/**
 * Fits every crisp tape on the shelf along a line.
 * @returns one entry a tape, in shelf order; empty where the line has no place on the part
 */
export function fitsOfLine(part: Part, lineId: string, tapes: readonly Tape[]): LineFit[] {
  const lines = resolveLines(part.lines, { ring: outlineRing(part.surface.outline), datums: part.datums });
  const samples = (lines.find(({ id }) => id === lineId)?.pieces ?? []).flatMap((piece) => piece.map(({ at, curvature }) => ({ at, curvature })));
  if (samples.length === 0) return [];
  const fit = (tape: Tape, side: LineSide) => fitAlong(tape, samples, side);
  return rounded(tapes.filter(({ edge }) => edge === 'crisp').map((tape) => ({ tape: tape.code, left: fit(tape, 'left'), right: fit(tape, 'right') })));
}
