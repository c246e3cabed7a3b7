import { type Path, pathLength } from '../curves';
import { isModelScale, messageWithoutValues, RULE_OF_THUMB, type TapeCode, TOLERANCE } from '../kit';
import type { Hold } from '../masking';
import { facetsForBend, type Tape, type TapeKind } from '../tape';
import { chooseTape, type TapeWish } from './choose';
import type { Doubt } from './messages';
import type { Overhang } from './overhang';
import { RUN_RULES } from './rules-of-thumb';
import type { MaskingMeans } from './run';

/** A wider tape behind a line tape, in straight pieces: it lies first, the line tape over its edge. */
export interface Backing {
  readonly tape: TapeCode | null;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** How far it is held back from the line. */
  readonly offsetMm: number;
  /** Number of straight pieces, and their maximum length; null: one piece. */
  readonly pieces: number;
  readonly pieceMm: number | null;
  /** Off the roll, laps and tails included. */
  readonly lengthMm: number;
  readonly hold: Hold | null;
  readonly cleanHours: number;
  /** Where it reaches over what it covers onto what is painted. */
  readonly overhangs: readonly Overhang[];
  readonly doubts: readonly Doubt[];
}

/**
 * Backing of a run. It is held back by half the width of the line tape; a straight piece may lie anywhere between
 * that tape's edge, less the clearance to the line, and its far edge, less the overlap, so on a bend it comes in
 * facets.
 * @param lineTapeMm width of the line tape
 * @param backedMm length of the run that has a backing
 * Source: facets of backing, 2√(2Rδ − δ²)
 */
export function backingFor(
  piece: Path,
  lineTapeMm: number,
  backedMm: number,
  wish: TapeWish,
  means: MaskingMeans,
): Omit<Backing, 'overhangs'> {
  const model = isModelScale(means.scale);
  const size = model ? 'model' : 'full';
  // If the shelf has no line tape, a usual width is assumed.
  const widthMm = lineTapeMm > 0 ? lineTapeMm : RULE_OF_THUMB.usualLineTape[size];
  const offsetMm = widthMm / 2;
  const overlap = Math.min(RUN_RULES.backingOverlap[size], widthMm / 4);
  const slack = Math.max(widthMm / 8, widthMm - widthMm / 4 - overlap);
  const pieces = Math.max(1, Math.ceil((facetCount(piece, slack) * backedMm) / pathLength(piece) - TOLERANCE.rounding));
  const straight = [0, backedMm].map((along) => ({ at: along, curvature: 0 }));
  const wider = means.tapes.filter((tape) => tape.widthMm > widthMm);
  const choice = chooseTape(wider, {
    ...wish,
    samples: straight,
    crisp: false,
    exactWidthMm: null,
    roomMm: Math.max(0, wish.roomMm - offsetMm),
  });
  const frame = {
    offsetMm,
    pieces,
    pieceMm: pieces > 1 ? backedMm / pieces : null,
    lengthMm: backedMm + (pieces - 1) * RULE_OF_THUMB.pieceOverlap[size] + 2 * RULE_OF_THUMB.tail[size],
  };
  if (!choice)
    return {
      ...frame,
      tape: null,
      tapeKind: null,
      widthMm: 0,
      hold: null,
      cleanHours: Infinity,
      doubts: [
        wider.length === 0
          ? { code: 'doubt.none-wider', values: { lineTapeMm: widthMm } }
          : { code: 'doubt.none-narrow', values: { roomMm: wish.roomMm } },
      ],
    };
  const { tape, hold, doubts } = choice;
  return {
    ...frame,
    tape: tape.code,
    tapeKind: tape.kind,
    widthMm: tape.widthMm,
    hold,
    cleanHours: tape.cleanHours,
    doubts,
  };
}

/** Straight pieces that follow a line within a slack, as it bends along its way. */
function facetCount(piece: Path, slack: number): number {
  let count = 0;
  for (let index = 1; index < piece.length; index++) {
    const [a, b] = [piece[index - 1]!, piece[index]!];
    const bend = Math.max(Math.abs(a.curvature), Math.abs(b.curvature));
    if (bend < TOLERANCE.straight) continue;
    count += (b.at - a.at) / facetsForBend(Math.max(1 / bend, slack), slack, 1).facetLengthMm;
  }
  return count;
}

/**
 * The tape over the edge of a cover behind a run: one of those that cover, or null if there is none. With a gun a
 * wide one, against its draught.
 */
export function seamTape(wish: TapeWish, means: MaskingMeans, gun: boolean): Tape | null {
  const samples = [0, 100].map((along) => ({ at: along, curvature: 0 }));
  // It lies on tape and cover, not on paint.
  const roomMm = isModelScale(means.scale) ? RULE_OF_THUMB.modelSeamMm : Infinity;
  const over: TapeWish = { ...wish, samples, crisp: false, exactWidthMm: null, roomMm, bondN25: Infinity };
  const { from, to } = RUN_RULES.safetyTape;
  const wide =
    gun && !wish.model
      ? means.tapes.filter(({ kind, widthMm }) => kind !== 'T' && widthMm >= from && widthMm <= to)
      : [];
  const choice = chooseTape(wide, { ...over, safety: true }) ?? chooseTape(means.tapes, over);
  return choice?.tape ?? null;
}

/** Paper tape that a line tape is led along over a raised row, taken off again at once: general crepe, else any painter's tape; null where there is none. */
export function guideTape(tapes: readonly Tape[]): Tape | null {
  const kinds: readonly TapeKind[] = ['G', 'P', 'C'];
  const place = ({ kind, widthMm }: Tape) => kinds.indexOf(kind) * 1000 + widthMm;
  return tapes.filter(({ kind }) => kinds.includes(kind)).sort((a, b) => place(a) - place(b))[0] ?? null;
}

/** Doubt of a run without a tape over its seam. */
export const noSeam: Doubt = messageWithoutValues('doubt.none-for-seam');
