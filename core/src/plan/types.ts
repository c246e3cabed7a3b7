import type { PullWindows } from '../drying';
import type { Mix, School } from '../finish';
import type { Step } from '../log';
import type { EdgeClass, Hold, OpeningSaid } from '../masking';
import type { ReasonSaid, SequenceFigures } from '../order';
import type { OverAnswer, OverSaid } from '../over';
import type { Doubt, LaidHow, RimBeyond, SideSeen } from '../runs';
import type { EdgeName } from '../surface';
import type { PartPlan } from '../setout';
import type { Fit, LineSide, TapeKind } from '../tape';
import type { Wish, AreaId, FeatureId, FinishId, LineId, PartId, SessionId, TapeCode, AreaRef, ItemId } from '../units';
import type { AdviceSaid, AfterCode, CoatsSaid, SafetyCode } from './says';

/** Something a person should know, at the place it concerns. */
export type Advice = AdviceSaid & {
  /** `stop`: the plan cannot be right until it is settled; `caution`: look at it; `note`: good to know. */
  readonly level: 'stop' | 'caution' | 'note';
  /** Area by its id; all null: the job as a whole. */
  readonly place: { readonly part: PartId | null; readonly line: LineId | null; readonly area: AreaId | null };
};

/** One area in a stage picture. */
export interface StageArea {
  readonly code: string;
  readonly open: boolean;
  /** Under a mask: of this stage, or one that stayed on. */
  readonly covered: boolean;
  /** Colour that shows after the stage. */
  readonly colour: string;
}

/** What the films below ask for before a coat may go on. */
export interface PrepareTask {
  readonly answer: OverAnswer;
  readonly reason: OverSaid;
  readonly places: readonly { readonly part: PartId; readonly area: AreaId; readonly code: string }[];
  /** Minutes of work. */
  readonly minutes: number;
}

/** Paint to make ready for a stage. */
export interface StagePaint extends Mix {
  readonly byArea: readonly { readonly part: PartId; readonly area: AreaId; readonly code: string; readonly ml: number }[];
  readonly potLifeMin: number | null;
  /** How often it has to be mixed so that none is older than its pot life when it is sprayed. */
  readonly batches: number;
}

/** Something laid on or put in for a stage. */
interface ItemBase {
  /** Says what it is: session, part, line, side and areas, or opening. Never a running number. */
  readonly id: ItemId;
  readonly stage: number;
  readonly part: PartId;
  /** How many alike. */
  readonly count: number;
  /** Code of a tape, `drape`, or null: nothing on the shelf, or whatever fits. */
  readonly material: string | null;
  /** Whether the tape may lie on what is below; null: not worked out. */
  readonly hold: Hold | null;
  readonly techniques: readonly LaidHow[];
  readonly doubts: readonly Doubt[];
  /** Items that must lie before it. */
  readonly after: readonly ItemId[];
  /** The stage after which it comes off, and that stage's session; the last one for plugs. */
  readonly until: { readonly stage: number; readonly session: SessionId };
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
  readonly sideSeen: SideSeen;
  readonly from: number;
  readonly to: number;
  readonly class: EdgeClass;
  /** Tape off the roll with both tails, and the edge it makes; one piece. */
  readonly lengthMm: number;
  readonly edgeMm: number;
  /** Paper tape it is led along over raised rows, off again at once: which, and how much; null where none is needed. */
  readonly guide: { readonly material: TapeCode | null; readonly lengthMm: number } | null;
  /** Where it is cut from one film with others: the item that stands for the film. */
  readonly sheetOf: ItemId | null;
  /** A person has chosen its tape. */
  readonly pinned: boolean;
  /** Laid from its far end; how far the hand goes to it from the end of the one before on its part. */
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

/** What masks a stretch of a rim: tape on what is beyond, or foam in a gap. */
export interface RimItem extends ItemBase {
  readonly kind: 'rim';
  /** Code in the lay list of its stage: E1, E2 … */
  readonly code: string;
  /** Which edge of its part, and what lies beyond. */
  readonly edge: number;
  readonly edgeName: EdgeName;
  readonly beyond: RimBeyond;
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
}

/** Tape that lies behind or over what makes a line: where, and off the roll. */
interface AlongLine extends ItemBase {
  readonly line: LineId;
  readonly lineCode: string;
  readonly side: LineSide;
  readonly sideSeen: SideSeen;
  readonly from: number;
  readonly to: number;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** Off the roll, all its pieces; on one part. */
  readonly lengthMm: number;
}

/** A wider tape behind a line tape, laid before it: it takes the cover. */
export interface BackingItem extends AlongLine {
  readonly kind: 'backing';
  /** B1, B2 … as the line tape over it. */
  readonly code: string;
  /** How far it is held back from the line. */
  readonly offsetMm: number;
  /** Straight pieces it comes in, and how long each may be; null: one. */
  readonly pieces: number;
  readonly pieceMm: number | null;
}

/** A tape over the edge of what covers, onto the tape below. */
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
  readonly closing: OpeningSaid;
}

export type Item = LineItem | BackingItem | SeamItem | RimItem | CoverItem | PlugItem;

export interface StagePlan {
  readonly number: number;
  /** One mix of one finish: its id, with `#2` when it is sprayed a second time. */
  readonly session: SessionId;
  readonly finish: FinishId;
  /** What the stage is for: a finish of the scheme, or what goes under or over all of them. */
  readonly layer: 'primer' | 'finish' | 'clear';
  readonly coats: number;
  /** Coats that make up the build the data sheet counts on. */
  readonly coatsFloor: number;
  readonly coatsWhy: CoatsSaid;
  /** The undercolour that decided it. */
  readonly under: string;
  readonly buildUm: number;
  readonly open: readonly AreaRef[];
  /** What no paint may reach, on parts that are sprayed. */
  readonly covered: readonly AreaRef[];
  /** Parts that are not sprayed but in reach: covered whole. */
  readonly coveredParts: readonly PartId[];
  /** What is laid for it, in laying order, by id. */
  readonly items: readonly ItemId[];
  readonly pictures: readonly { readonly part: PartId; readonly areas: readonly StageArea[] }[];
  readonly tasks: readonly PrepareTask[];
  readonly paint: StagePaint;
  readonly layMin: number;
  readonly sealMin: number;
  readonly coatMin: number;
  readonly pullMin: number;
  readonly uncoverMin: number;
  readonly changeMin: number;
  readonly overMin: number;
  readonly waitMin: number;
  readonly tapeM: number;
  /** True where the masks stay on for the next stage. */
  readonly keep: boolean;
  /** True where masks that stayed on come to be pulled past their window. */
  readonly late: boolean;
  /** Windows after the last coat as the film and the tapes laid allow them; null where it covers nothing. */
  readonly windows: PullWindows | null;
  readonly school: School | null;
  /** Pull window of that school, minutes after the last coat; of masks that stay on, the window they must still be pulled in. */
  readonly pull: { readonly fromMin: number; readonly toMin: number | null } | null;
  /** People it takes to pull everything within its window; 0 where nothing comes off after this stage. */
  readonly hands: number;
  /** Earlier stages whose masks come off with these. */
  readonly pulls: readonly number[];
  /** First and last minute of it, and its last coat, minutes from the start of the job. */
  readonly startMin: number;
  readonly endMin: number;
  readonly lastCoatMin: number;
  /** When the next coat of it may go on, minutes after the one before. */
  readonly gap: { readonly fromMin: number; readonly toMin: number | null };
}

/** A time to keep: minutes from the start of the job. */
export interface PlanWindow {
  readonly id: string;
  readonly kind: AfterCode;
  /** The step it is for. */
  readonly of: string;
  readonly opensMin: number;
  readonly closesMin: number | null;
}

export interface SequenceSummary extends SequenceFigures {
  readonly order: readonly string[];
  readonly reasons: readonly ReasonSaid[];
  readonly stages: number;
  /** Stages after which masks stay on. */
  readonly kept: number;
  readonly chosen: boolean;
  /** Paint that ends up under another colour, m². */
  readonly lostM2: number;
  /** No dearer than the cheapest by more than such figures are worth. */
  readonly equal: boolean;
}

/** What the choices a person has made cost, against the best without them; below zero where they save it. */
export type ChoicePrice = Pick<SequenceFigures, 'workMin' | 'endMin' | 'tapeM' | 'coats' | 'riskM' | 'money'>;

/** Tape to have ready: one line a code. */
export interface TapeNeed {
  readonly tape: TapeCode;
  readonly pieces: number;
  readonly lengthM: number;
  /** Rolls it takes, with what is wasted at their ends; rolls that are missing, null where the stock is not counted. */
  readonly rolls: number;
  readonly missing: number | null;
}

/** Foam strip to have ready, by its thickness. */
export interface FoamNeed {
  readonly foamMm: number;
  readonly pieces: number;
  readonly lengthM: number;
}

/** What to have ready. */
export interface PlanLists {
  readonly tape: readonly TapeNeed[];
  /** Paper or film, m². */
  readonly drape: readonly { readonly stage: number; readonly sizeM2: number }[];
  readonly foam: readonly FoamNeed[];
  /** Tape and film for the openings, all of them. */
  readonly openings: { readonly tapeM: number; readonly filmM2: number };
  readonly plugs: readonly { readonly part: PartId; readonly count: number }[];
  readonly paint: readonly { readonly stage: number; readonly finish: FinishId; readonly ml: number }[];
  /** Items the shelf has nothing for, by id. */
  readonly shopping: readonly string[];
}

/** Everything that follows from a design and a shelf. Same input, same plan, to the byte. */
export interface Plan {
  readonly format: 'lintrel-plan';
  readonly version: 2;
  readonly parts: readonly PartPlan[];
  readonly stages: readonly StagePlan[];
  readonly items: readonly Item[];
  readonly steps: readonly Step[];
  readonly windows: readonly PlanWindow[];
  readonly orders: readonly SequenceSummary[];
  /** How much better than the first order the best possible could be at most, as a share; 0: it is the best possible. */
  readonly orderGap: number;
  /** Null where nothing was chosen by hand. */
  readonly choicePrice: ChoicePrice | null;
  readonly wish: Wish;
  readonly advice: readonly Advice[];
  /** Usual cautions that apply to this job, each once. */
  readonly safety: readonly SafetyCode[];
  readonly lists: PlanLists;
}
