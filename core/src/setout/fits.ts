import type { Design } from '../job';
import { type LineId, type PartId, roundNumbers, type TapeCode } from '../kit';
import { type Fit, fitAlong, type LineSide, type Tape, type TapeKind } from '../tape';
import { newPartCache, type PartCache, setOutOnePart } from './part-cache';

/** How one tape follows a line with its body on each side. */
export interface LineFit {
  readonly tape: TapeCode;
  readonly kind: TapeKind;
  readonly widthMm: number;
  /** True where its edge makes a line that stays. */
  readonly crisp: boolean;
  readonly left: Fit;
  readonly right: Fit;
}

/**
 * Fits every tape on the shelf along a line.
 * @param lineId a stroke of a line, as the plan names it
 * @returns one entry a tape, in shelf order; empty where the line has no place on the part
 */
export function tapeFitsOfLine(
  parts: Design['parts'],
  partId: PartId,
  lineId: LineId,
  tapes: readonly Tape[],
  store: PartCache = newPartCache(),
): LineFit[] {
  const line = setOutOnePart(parts, partId, store)?.lines.find(({ id }) => id === lineId);
  const samples = (line?.pieces ?? []).flatMap((piece) => piece.map(({ at, curvature }) => ({ at, curvature })));
  if (samples.length === 0) return [];
  const fit = (tape: Tape, side: LineSide) => fitAlong(tape, samples, side);
  return roundNumbers(
    tapes.map((tape) => ({
      tape: tape.code,
      kind: tape.kind,
      widthMm: tape.widthMm,
      crisp: tape.edge === 'crisp',
      left: fit(tape, 'left'),
      right: fit(tape, 'right'),
    })),
  );
}
