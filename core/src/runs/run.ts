import type { Arrangement } from '../areas';
import { type Path, pathSlice, type Point } from '../curves';
import { firstItem, type LineId, type PartId, type TapeCode } from '../kit';
import { lineCode as codeOfLine, type ResolvedLine } from '../lines';
import type { EdgeClass, Hold } from '../masking';
import type { Skin } from '../surface';
import type { Fit, LineSide, Tape, TapeKind } from '../tape';
import type { Backing } from './backing';
import type { PartEdge } from './edge-runs';
import type { Doubt } from './messages';
import type { OwnWay } from './own-way';
import type { PinnedTape } from './pinned';
import type { SeenSide } from './seen-side';
import type { LayMethod } from './technique';

/** One length of one tape at one place. */
export interface Run {
  readonly part: PartId;
  readonly line: LineId;
  readonly lineCode: string;
  readonly from: number;
  readonly to: number;
  /** Side of the line the tape lies on, as seen along it, and as a person sees it. */
  readonly side: LineSide;
  readonly sideSeen: SeenSide;
  readonly class: EdgeClass;
  /** The areas it lies between, where it begins. */
  readonly between: Pick<PartEdge, 'border' | 'free' | 'closed'>;
  /** Its borders, each with its share; the edges of a strip belong to its first piece. */
  readonly edges: readonly (PartEdge & { readonly share: number })[];
  /** Null where the shelf has no tape for it. */
  readonly tape: TapeCode | null;
  readonly tapeKind: TapeKind | null;
  readonly tapeWidthMm: number;
  readonly verdict: Fit['verdict'] | 'none';
  /** Mean stretch to lay it in, as a fraction. */
  readonly stretch: number;
  readonly worstAt: number | null;
  readonly worstRadiusMm: number | null;
  /** How long this tape comes off clean, minutes; Infinity where there is none. */
  readonly cleanHours: number;
  /** Length of the edge, and of tape off the roll with both tails; one piece. */
  readonly edgeMm: number;
  readonly tapeMm: number;
  /** How many alike. */
  readonly count: number;
  /** Area this tape alone covers, by index; null for any other run. */
  readonly strip: number | null;
  /** Whether the tape may lie on what is below; null where there is none. */
  readonly hold: Hold | null;
  /** At least one. */
  readonly techniques: readonly LayMethod[];
  readonly doubts: readonly Doubt[];
  /** What lies behind it; null: nothing. */
  readonly backing: Backing | null;
  /** A person has chosen its tape. */
  readonly pinned: boolean;
  /**
   * If it is cut from one film with others: the index of the first of them among the runs of its part, which carries
   * the film.
   */
  readonly sheet: number | null;
  /** How long it stays, from when it is laid until it is pulled, minutes. */
  readonly staysMin: number;
  /** Laid from its far end, so that one need not go back; how far one walks to it from the end of the one before on its part, mm. */
  readonly backwards: boolean;
  readonly walkMm: number;
}

/** One part as the runs see it. */
export interface MaskedPart {
  readonly id: string;
  readonly count: number;
  /** Turned, a tube or a cone: its near end is where measuring along it begins, its top is y = 0. */
  readonly round: boolean;
  readonly lines: readonly ResolvedLine[];
  /** Its skin as drawn. */
  readonly skin: Pick<Skin, 'folds' | 'seam' | 'metric'>;
  /** Rows of raised heads on it, from end to end, and which of its openings are posts, by id. */
  readonly rows: readonly (readonly [Point, Point])[];
  readonly posts: ReadonlySet<string>;
  readonly arrangement: Arrangement;
  /** Edges of its mask that are laid in this stage. */
  readonly edges: readonly PartEdge[];
}

/** What there is to mask with. */
export interface MaskingMeans {
  /** What there is of it: not what has run out, or is not to be used. */
  readonly tapes: readonly Tape[];
  /** What a person has chosen. */
  readonly pins?: readonly PinnedTape[];
  /** Edges a person masks their own way. */
  readonly ownWays?: readonly OwnWay[];
  readonly scale: number;
  readonly surfaceC: number;
  readonly airC: number;
}

/** The piece of its line a run lies along. */
export function pieceAlong(
  part: Pick<MaskedPart, 'lines'>,
  { line, from, to }: Pick<Run, 'line' | 'from' | 'to'>,
): Path {
  const pieces = (part.lines.find(({ id }) => id === line) as ResolvedLine).pieces;
  return firstItem(
    pieces.flatMap((whole) => {
      const piece = pathSlice(whole, from, to);
      return piece ? [piece] : [];
    }),
  );
}

/** Code of the line of the list a stroke belongs to. */
export const lineCode = ({ lines }: MaskedPart, { owner }: ResolvedLine): string =>
  codeOfLine([...new Set(lines.map((line) => line.owner))].indexOf(owner));
