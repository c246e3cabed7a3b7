import type { PullWindows } from '../drying';
import type { Mix, PullTiming } from '../finish';
import type { Aim, AreaId, AreaRef, FinishId, ItemId, LineId, PartId, SessionId, SupplyCode, TapeCode } from '../kit';
import type { ReasonMessage, SequenceFigures } from '../order';
import type { CompatibilityAnswer, CompatibilityMessage } from '../over';
import type { Step } from '../runsheet';
import type { PartPlan } from '../setout';
import type { SupplyKind } from '../tape';
import type { Item } from './items';
import type { AdviceMessage, AfterCode, CoatsMessage, SafetyCode } from './messages';

/** Something a person should know, at the place it concerns. */
export type Advice = AdviceMessage & {
  /** `stop`: the plan cannot be right until it is settled; `caution`: look at it; `note`: good to know. */
  readonly level: 'stop' | 'caution' | 'note';
  /** Area by its id; all null: the job as a whole. */
  readonly place: { readonly part: PartId | null; readonly line: LineId | null; readonly area: AreaId | null };
};

/** One area in a stage picture. */
interface StageArea {
  readonly code: string;
  readonly open: boolean;
  /** Under a mask: of this stage, or one that stayed on. */
  readonly covered: boolean;
  /** Colour that shows after the stage. */
  readonly colour: string;
}

/** Preparation that the films below require before a coat. */
export interface PrepareTask {
  readonly answer: CompatibilityAnswer;
  readonly reason: CompatibilityMessage;
  readonly places: readonly { readonly part: PartId; readonly area: AreaId; readonly code: string }[];
  /** Minutes of work. */
  readonly minutes: number;
}

/** Paint to make ready for a stage. */
export interface StagePaint extends Mix {
  readonly byArea: readonly {
    readonly part: PartId;
    readonly area: AreaId;
    readonly code: string;
    readonly ml: number;
  }[];
  /** Pot life in the air of the job; null: unlimited. */
  readonly potLifeMin: number | null;
  /** How often it is mixed, so that none is older than its pot life when it is sprayed. */
  readonly batches: number;
}

/** A section of a coat. */
export interface SectionName {
  readonly part: PartId;
  /** Which of how many alike pieces, from 1. */
  readonly piece: number;
  readonly of: number;
  /** Its area; null: all of the piece that is painted. */
  readonly area: AreaId | null;
}

/** A section of a last coat that is painted and pulled in turns. */
export interface SectionPlan extends SectionName {
  /** When it is painted, when its pull begins and is over, minutes from the start of the job. */
  readonly paintedMin: number;
  readonly pullMin: number;
  readonly offMin: number;
}

/** Painting and pulling in turns: number of sections, number painted before the first is pulled, total minutes. */
export interface OnePersonPlan {
  readonly sections: number;
  readonly ahead: number;
  readonly totalMin: number;
}

/** Lines that are pulled before the rest of their stage. */
interface EarlyLines {
  readonly school: PullTiming;
  /** Their window, minutes after the last coat. */
  readonly pull: { readonly fromMin: number; readonly toMin: number | null };
  readonly pullMin: number;
  readonly hands: number;
}

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
  readonly coatsWhy: CoatsMessage;
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
  readonly school: PullTiming | null;
  /**
   * Pull window of that timing, minutes after the last coat; for masks that stay on, the window of their own
   * removal.
   */
  readonly pull: { readonly fromMin: number; readonly toMin: number | null } | null;
  /** Lines with a pull timing of their own that come off before the rest; left out: none. */
  readonly early?: readonly EarlyLines[];
  /** People it takes to pull everything within its window; 0 where nothing comes off after this stage. */
  readonly hands: number;
  /**
   * How one person keeps a window that is too short for pulling everything: the last coat in sections, pulled in
   * turns. Given if several people would be needed, or if the preferred pull timing was given up for it. Null: not
   * needed, or not possible.
   */
  readonly alone: OnePersonPlan | null;
  /** The last coat in sections where one person does it so, in their order; left out: all of it at once. */
  readonly sections?: readonly SectionPlan[];
  /** What is painted with the first of them and has no tape to be pulled. */
  readonly withFirst?: readonly SectionName[];
  /** Earlier stages whose masks come off with these. */
  readonly pulls: readonly number[];
  /** First and last minute of it, and its last coat, minutes from the start of the job. */
  readonly startMin: number;
  readonly endMin: number;
  readonly lastCoatMin: number;
  /** When its next coat may go on, minutes after the previous one. */
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
  readonly reasons: readonly ReasonMessage[];
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

/** Paper, film, foam and the like to have ready: one entry a kind, foam by its thickness. */
export interface SupplyNeed {
  readonly kind: SupplyKind;
  readonly sizeMm: number | null;
  /** In the unit of its kind, and in how many pieces. */
  readonly amount: number;
  readonly pieces: number;
  /** What it comes from on the shelf, packs it takes with waste, and packs that are missing; null: none there, or not counted. */
  readonly code: SupplyCode | null;
  readonly packs: number | null;
  readonly missing: number | null;
}

/** What to have ready. */
export interface PlanLists {
  readonly tape: readonly TapeNeed[];
  /** Paper or film, m². */
  readonly drape: readonly { readonly stage: number; readonly sizeM2: number }[];
  readonly supplies: readonly SupplyNeed[];
  /** In the shop's currency; `typical`: some of it by typical prices. */
  readonly cost: {
    readonly tape: number;
    readonly supplies: number;
    readonly paint: number;
    readonly typical: boolean;
  };
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
  readonly wish: Aim;
  readonly advice: readonly Advice[];
  /** Usual cautions that apply to this job, each once. */
  readonly safety: readonly SafetyCode[];
  readonly lists: PlanLists;
  /** By how much the times of its finishes differ here from their sheets, and from how many observations; left out: not at all. */
  readonly learned?: readonly { readonly finish: string; readonly factor: number; readonly count: number }[];
}
