import type { Place } from '../curves';
import type { PullTiming } from '../finish';
import type { AreaId, AreaRef, FeatureId, ItemId, LineId, OwnPieceId, PartId, SessionId, TapeCode } from '../kit';
import type { ClosingUse, EdgeClass, Hold, OpeningMessage } from '../masking';
import type { BeyondEdge, Doubt, LayMethod, SeenSide } from '../runs';
import type { EdgeName } from '../surface';
import type { Fit, LineSide, TapeKind } from '../tape';

/** Something laid on or put in for a stage. */
interface ItemBase {
  /** Made of session, part, line, side and areas, or opening; never a running number. */
  readonly id: ItemId;
  readonly stage: number;
  readonly part: PartId;
  /** How many alike. */
  readonly count: number;
  /** Code of a tape, `drape`, or null: nothing suitable on the shelf, or any. */
  readonly material: string | null;
  /** Whether the tape may lie on the film below; null: not computed. */
  readonly hold: Hold | null;
  readonly techniques: readonly LayMethod[];
  readonly doubts: readonly Doubt[];
  /** What it lies on: laid before it, and off after it. */
  readonly after: readonly ItemId[];
  /**
   * Stage after which it comes off, and that stage's session; the last one for plugs. `early`: before the rest of
   * its mask, with this pull timing, as chosen for its line. `turn`: number of the pull, from 1, if the last coat
   * goes on in sections; of several equal pieces the last one comes off then. `uncover`: after the pull, with what
   * covers; left out: in the window of its lines.
   */
  readonly until: {
    readonly stage: number;
    readonly session: SessionId;
    readonly early?: PullTiming;
    readonly turn?: number;
    readonly uncover?: true;
  };
  /** Work of laying it, and of pulling it or taking it away, all alike together. */
  readonly layMin: number;
  readonly pullMin: number;
}

/** A length of tape that makes an edge; `soft`: rolled or of foam, where a finish fades out. */
export interface LineItem extends ItemBase {
  readonly kind: 'line' | 'soft';
  /** Code in the lay list of its stage: R1, R2 … in laying order. */
  readonly code: string;
  readonly line: LineId;
  readonly lineCode: string;
  /** The strip this tape alone covers, by id; null for an edge. */
  readonly area: AreaId | null;
  readonly side: LineSide;
  readonly sideSeen: SeenSide;
  readonly from: number;
  readonly to: number;
  readonly class: EdgeClass;
  /** Tape off the roll with both tails, and the edge it makes; one piece. */
  readonly lengthMm: number;
  readonly edgeMm: number;
  /** Paper tape it is led along over raised rows, off again at once: which, and how much; null where none is needed. */
  readonly guide: { readonly material: TapeCode | null; readonly lengthMm: number } | null;
  /** If it is cut from one film together with others: the item of that film. */
  readonly sheetOf: ItemId | null;
  /** A person has chosen its tape. */
  readonly pinned: boolean;
  /** Applied from its far end; and the distance from the end of the previous item on its part. */
  readonly backwards: boolean;
  readonly walkMm: number;
  /** Kind of its tape, by which it is drawn; null where there is none. */
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  readonly verdict: Fit['verdict'] | 'none';
  /** Mean stretch to lay it in, as a fraction. */
  readonly stretch: number;
  readonly worstAt: number | null;
  readonly worstRadiusMm: number | null;
}

/** Masking of a stretch of the outline: tape on what lies beyond, or foam in a gap. */
export interface SurroundingsItem extends ItemBase {
  readonly kind: 'rim';
  /** Code in the lay list of its stage: E1, E2 … */
  readonly code: string;
  /** Which edge of its part, and what lies beyond. */
  readonly edge: number;
  readonly edgeName: EdgeName;
  readonly beyond: BeyondEdge;
  /** The area of its part it lies along, and what it lies on: what is beyond, or the part's own area where the other is painted. */
  readonly beside: AreaId;
  readonly on: AreaRef;
  /** Along the edge, mm. */
  readonly from: number;
  readonly to: number;
  readonly edgeMm: number;
  /** Off the roll; one piece. */
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly tapeKind: TapeKind | null;
  readonly verdict: Fit['verdict'] | 'none';
  /** Of tape beside foam, from which the cover hangs instead: that foam. */
  readonly outlines?: ItemId;
}

/** Tape that lies behind or over what makes a line: where, and off the roll. */
interface AlongLine extends ItemBase {
  readonly line: LineId;
  readonly lineCode: string;
  readonly side: LineSide;
  readonly sideSeen: SeenSide;
  readonly from: number;
  readonly to: number;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** Off the roll, all its pieces; on one part. */
  readonly lengthMm: number;
}

/** A wider tape behind a line tape: it takes the cover. */
export interface BackingItem extends AlongLine {
  readonly kind: 'backing';
  /** B1, B2 … as the line tape over it. */
  readonly code: string;
  /** The line tape it lies behind. */
  readonly behind: ItemId;
  /** True where it lies over the line tape, false where that lies over it. */
  readonly over: boolean;
  /** How far it is held back from the line. */
  readonly offsetMm: number;
  /** Number of straight pieces, and their maximum length; null: one piece. */
  readonly pieces: number;
  readonly pieceMm: number | null;
}

/** A tape over the edge of what covers, onto the tape below; in plans made before version 3. */
export interface SeamItem extends AlongLine {
  readonly kind: 'seam';
}

/** Paper or film over an area, or over a whole part that is not sprayed but in reach. */
export interface CoverItem extends ItemBase {
  readonly kind: 'cover';
  /** `beyond`: what is beyond the edges of the part; null: the whole part. */
  readonly area: AreaId | null;
  /** All alike together. */
  readonly sizeM2: number;
}

/** What closes an opening. */
export interface PlugItem extends ItemBase {
  readonly kind: 'plug';
  readonly opening: FeatureId;
  /** How it is closed, and what is cut for each. */
  readonly closing: OpeningMessage;
}

/** Tape that closes an opening: just inside its edge, lifting the film off it, or over the edge of what closes it. */
export interface OpeningTapeItem extends ItemBase {
  readonly kind: ClosingUse;
  readonly opening: FeatureId;
  /** What it closes the opening with. */
  readonly closes: ItemId;
  /** Pieces it comes in for each opening, and off the roll all of them. */
  readonly pieces: number;
  readonly lengthMm: number;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
}

/** A piece a person lays besides what the plan does: tape from place to place, or paper or film over the box between them. */
export interface OwnItem extends ItemBase {
  readonly kind: 'own';
  /** Code in the lay list of its stage: H1, H2 … */
  readonly code: string;
  readonly piece: OwnPieceId;
  readonly fromPlace: Place;
  readonly toPlace: Place;
  /** Places it goes by on its way. */
  readonly byPlaces: readonly Place[];
  readonly note: string;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** Off the roll with both tails; one piece. 0 for paper or film. */
  readonly lengthMm: number;
  /** Of paper or film, all alike together. */
  readonly sizeM2: number;
}

export type Item =
  LineItem | BackingItem | SeamItem | SurroundingsItem | CoverItem | PlugItem | OpeningTapeItem | OwnItem;
