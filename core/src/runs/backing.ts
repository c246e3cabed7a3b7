import { type Path, pathLength } from '../curves';
import { isModelScale, messageWithoutValues, RULE_OF_THUMB, type TapeCode, TOLERANCE } from '../kit';
import type { Hold } from '../masking';
import { facetsForBend, follows, type Tape, type TapeKind } from '../tape';
import { chooseTape, type TapeChoice, type TapeWish } from './choose';
import type { Doubt } from './messages';
import type { Overhang } from './overhang';
import { RUN_RULES } from './rules-of-thumb';
import type { MaskingMeans } from './run';

/** A wider tape behind a line tape, that carries the cover. */
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
 * Backing of a run: one tape along it where it is straight, straight pieces round a bend, or, where those would be
 * short, one flexible tape if there is one. It is set back from the line, with its edge under or over the line tape:
 * a straight piece may lie anywhere between half the set-back and the far edge of that tape, less the lap.
 * @param lineTapeMm width of the line tape
 * @param backedMm length of the run that has a backing
 * @param roomMm room on the covered side from a place beside the line on, for tapes of some widths
 * Source: facets of backing, 2√(2Rδ − δ²)
 */
export function backingFor(
  piece: Path,
  lineTapeMm: number,
  backedMm: number,
  wish: TapeWish,
  means: MaskingMeans,
  roomMm: (innerMm: number, widths: readonly number[]) => number,
): Omit<Backing, 'overhangs'> {
  const model = isModelScale(means.scale);
  const size = model ? 'model' : 'full';
  // If the shelf has no line tape, a usual width is assumed.
  const widthMm = lineTapeMm > 0 ? lineTapeMm : RULE_OF_THUMB.usualLineTape[size];
  const lap = Math.min(RUN_RULES.lap[size], widthMm / 2);
  const offsetMm = Math.min(RUN_RULES.backingSetBack, widthMm - lap);
  const slack = Math.max(widthMm / 8, widthMm - lap - offsetMm / 2);
  const facets = Math.max(1, Math.ceil((facetCount(piece, slack) * backedMm) / pathLength(piece) - TOLERANCE.rounding));
  // It stands out beyond the line tape, so that paper sticks to it.
  const leastMm = Math.max(
    model ? RULE_OF_THUMB.backingMm.model : RULE_OF_THUMB.backingMm.full,
    widthMm - offsetMm + RUN_RULES.standsOut[size],
  );
  const wider = means.tapes.filter((tape) => tape.kind !== 'T' && tape.widthMm > widthMm);
  const innerRoom =
    roomMm(
      offsetMm,
      wider.map((tape) => tape.widthMm),
    ) - offsetMm;
  const { choice, whole } = backingTape(wider, { ...wish, leastMm, roomMm: innerRoom }, backedMm, facets, size);
  const pieces = whole ? 1 : facets;
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
          : innerRoom < Infinity
            ? { code: 'doubt.none-narrow', values: { roomMm: innerRoom } }
            : messageWithoutValues('doubt.none-for-edge'),
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

/**
 * The tape of a backing: in one piece, where the tape it would be anyway makes the bend, or a flexible one instead of
 * crumbs; else that of straight pieces.
 * @param facets straight pieces it would come in
 */
function backingTape(
  tapes: readonly Tape[],
  wish: TapeWish,
  backedMm: number,
  facets: number,
  size: 'full' | 'model',
): { readonly choice: TapeChoice | null; readonly whole: boolean } {
  const bent: TapeWish = { ...wish, crisp: false, exactWidthMm: null, wide: true, narrowest: true };
  const crepe = chooseTape(tapes, { ...bent, samples: [0, backedMm].map((along) => ({ at: along, curvature: 0 })) });
  if (facets === 1) return { choice: crepe, whole: true };
  const same = followingTape(crepe ? tapes.filter(({ code }) => code === crepe.tape.code) : [], bent);
  const short = backedMm / facets < RUN_RULES.shortFacet[size];
  const flexible =
    same ??
    (short
      ? followingTape(
          tapes.filter(({ kind }) => FLEXIBLE.includes(kind)),
          bent,
        )
      : null);
  return { choice: flexible ?? crepe, whole: flexible !== null };
}

/** Tapes that are led round a bend in one piece, to carry a cover. */
const FLEXIBLE: readonly TapeKind[] = ['X', 'M', 'W', 'V'];

/** A tape that follows the line in one piece; null where there is none that lies without doubt. */
function followingTape(tapes: readonly Tape[], wish: TapeWish): TapeChoice | null {
  const choice = chooseTape(tapes, wish);
  return choice && follows(choice.fit) && choice.doubts.length === 0 ? choice : null;
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

/** Paper tape that a line tape is led along over a raised row, taken off again at once: general crepe, else any painter's tape; null where there is none. */
export function guideTape(tapes: readonly Tape[]): Tape | null {
  const kinds: readonly TapeKind[] = ['G', 'P', 'C'];
  const place = ({ kind, widthMm }: Tape) => kinds.indexOf(kind) * 1000 + widthMm;
  return tapes.filter(({ kind }) => kinds.includes(kind)).sort((a, b) => place(a) - place(b))[0] ?? null;
}
