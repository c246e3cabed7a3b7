import type { FinishMethod, PaintSystemKey, PullTiming } from '../finish';
import type { Substrate } from '../job';
import type { Message, MessageOf, NoValues } from '../kit';
import type { LineMessage } from '../lines';
import type { ClosingFault, OpeningMessage } from '../masking';
import type { RuleMessages } from '../order';
import type { CompatibilityAnswer, CompatibilityMessage } from '../over';
import type { Cleaner, Grit } from '../prepare';
import type { BeyondEdge, Doubt, SeenSide, Technique } from '../runs';
import type { ClosingWay, EdgeName } from '../surface';

// Messages of a plan. Names, codes of lines and areas, and positions are values; a finish appears by the name given to
// it.

/** Where the number of coats of a stage comes from. */
export interface CoatsMessages {
  readonly 'coats.sheet': { readonly coats: number };
  readonly 'coats.card': { readonly coats: number };
  readonly 'coats.floor': { readonly coats: number };
  readonly 'coats.ground': { readonly coats: number; readonly over: string | null };
  /** `over`: name of the finish below; null: the existing finish. */
  readonly 'coats.hiding': { readonly coats: number; readonly over: string | null };
  readonly 'coats.most': { readonly coats: number; readonly over: string | null };
}
export type CoatsMessage = MessageOf<CoatsMessages>;

/** A few places in words: part names only where there is more than one part. */
type Places = readonly string[];

/** Tool of application; missing in older plans. */
type Method = FinishMethod | undefined;

/** How far cover goes: over everything, as far as mist flies, or against drips only. */
export type Reach = 'whole' | 'mist' | 'drips';

/** A kind of leak on a part: at crossings of lines, on lines, or on lines over features. */
type Leak = { readonly part: string; readonly places: readonly string[] };

/** Where a mask is known to leak. */
export interface LeakMessages {
  readonly 'leak.crossing': Leak;
  readonly 'leak.corner': Leak;
  readonly 'leak.fold': Leak;
  readonly 'leak.row': Leak;
  readonly 'leak.tight': Leak;
}
export type LeakMessage = MessageOf<LeakMessages>;

/** Tape that closes openings, by what it does: all together, off the roll; a tape by its code, null: what fits. */
type ClosingTapeValues = { readonly tape: string | null; readonly lengthMm: number };
export interface ClosingTapeMessages {
  readonly 'closing.base': ClosingTapeValues;
  /** Tape that closes an opening by itself. */
  readonly 'closing.alone': ClosingTapeValues;
  readonly 'closing.lip': ClosingTapeValues;
  readonly 'closing.cap': ClosingTapeValues;
}
export type ClosingTapeMessage = MessageOf<ClosingTapeMessages>;

/** Openings that are closed or reopened: number, by part, and method; older plans have no method. */
export type PlugValues = {
  readonly plugs: number;
  readonly places: readonly string[];
  readonly closings?: readonly OpeningMessage[];
  readonly tapes?: readonly ClosingTapeMessage[];
  /** Preparation of the tape before it is applied. */
  readonly before?: readonly Technique[];
};

/** What is covered: areas, parts that are not sprayed, whole, and what is beyond the edges of parts. */
export type CoverPlaces = {
  readonly places: Places;
  readonly wholes?: Places;
  readonly round?: Places;
  readonly roundM2?: number;
};

/** A manual piece: its name in the lay list, and its ends on the part, mm along and above. */
type OwnPieceValues = {
  readonly name: string;
  readonly part: string | null;
  readonly note: string;
  readonly count: number;
  readonly fromMm: readonly number[];
  readonly toMm: readonly number[];
  /** Places it goes by on its way, two figures each. */
  readonly byMm?: readonly number[];
};
export interface OwnPieceMessages {
  /** `tape` null: it is not on the shelf. */
  readonly 'own.tape': OwnPieceValues & { readonly tape: string | null; readonly lengthMm: number };
  readonly 'own.cover': OwnPieceValues & { readonly sizeM2: number };
}
export type OwnPieceMessage = MessageOf<OwnPieceMessages>;

/**
 * Paint made ready. `partsMl`: volume of each part, paint first; `cans`: whole cans, null if it does not come in
 * cans; `batches`: how often it is mixed if one coat takes longer than its pot life; `coats`: first and last coat it
 * is for, left out if it is for all; `lifeMin`: pot life.
 */
type MixValues = {
  readonly finish: string;
  readonly ml: number;
  readonly partsMl?: readonly number[];
  readonly cans?: number | null;
  readonly batches?: number;
  readonly coats?: readonly [number, number];
  readonly lifeMin?: number | null;
  readonly method?: Method;
};

/** A backing along one line: on which side of it, how long, and in how many straight pieces of what length. */
export interface BackedLineMessages {
  readonly 'backing.along': {
    readonly line: string;
    readonly side: SeenSide;
    readonly lengthMm: number;
    readonly pieces: number;
    readonly pieceMm: number;
  };
}
export type BackedLineMessage = MessageOf<BackedLineMessages>;

export interface StepMessages {
  readonly 'step.wait-tape-safe': NoValues;
  readonly 'step.wait-over': NoValues;
  readonly 'step.wait-pull': NoValues;
  readonly 'step.wait-section': NoValues;
  readonly 'step.wait-seal': NoValues;
  /** Until a large cover may come off. */
  readonly 'step.wait-cover': NoValues;
  readonly 'step.flash': { readonly method?: Method; readonly masked?: boolean; readonly last?: boolean };
  /** Places are names of parts. */
  readonly 'step.wash': { readonly places: Places; readonly cleaner: Cleaner };
  readonly 'step.warm': { readonly belowC: number };
  /** `grit` null: a scuff of what was sprayed in this job; `masked`: tape of an earlier stage lies beside it. */
  readonly 'step.abrade': {
    readonly places: Places;
    readonly reason: CompatibilityMessage;
    readonly grit?: Grit | null;
    readonly masked?: boolean;
  };
  /** A film whose limit has passed before the next coat; `masked`: tape lies beside it. */
  readonly 'step.scuff': { readonly coat: Message; readonly masked: boolean };
  readonly 'step.barrier': { readonly places: Places; readonly reason: CompatibilityMessage };
  readonly 'step.plug': PlugValues;
  readonly 'step.unplug': PlugValues;
  readonly 'step.lay': {
    readonly tape: string | null;
    readonly line: string;
    readonly side: SeenSide | 'along';
    readonly part: string | null;
    readonly tapeMm: number;
    readonly count: number;
    readonly technique: Technique;
    /** What else is to be done on its way, in order; left out in plans from before. */
    readonly more?: readonly Technique[];
    /** What is laid behind it before; left out in plans from before. */
    readonly backing?: Technique | null;
  };
  /** Tapes behind lines of one part that carry covers, laid alike; `over`: over the line tapes, else these go over them later. */
  readonly 'step.backing': {
    readonly tape: string | null;
    readonly part: string | null;
    readonly offsetMm: number;
    readonly over: boolean;
    /** The codes of the lines, and where along each. */
    readonly behind: Places;
    readonly along: readonly BackedLineMessage[];
    readonly count: number;
    readonly more: readonly Technique[];
  };
  /** Masking of the surroundings of one part that is applied alike; missing in older plans. */
  readonly 'step.rim': {
    readonly part: string | null;
    /** Code of a tape, `foam`, or null: nothing on the shelf fits. */
    readonly material: string | null;
    readonly widthMm: number;
    readonly beyond: BeyondEdge;
    readonly edges: readonly EdgeName[];
    /** All pieces of one part together, and how many parts alike. */
    readonly lengthMm: number;
    readonly count: number;
    readonly technique: Technique;
    readonly more: readonly Technique[];
  };
  /** `hung`: the tapes along the edges carry it; `seams`: in older plans. */
  readonly 'step.cover': CoverPlaces & {
    readonly reach?: Reach;
    readonly hung?: boolean;
    readonly seams?: readonly Technique[];
  };
  /** `own`: what a person laid besides; `tapes`: codes of the tapes that come off with it. Left out in older plans. */
  readonly 'step.uncover': CoverPlaces & {
    readonly own?: readonly OwnPieceMessage[];
    readonly tapes?: readonly string[];
  };
  /** What a person lays besides. */
  readonly 'step.own': { readonly pieces: readonly OwnPieceMessage[] };
  /** `finish` null: liquid mask. */
  readonly 'step.seal': { readonly finish: string | null; readonly places: Places; readonly dryMin: number };
  readonly 'step.gate': { readonly masked: boolean; readonly leaks?: readonly LeakMessage[] };
  readonly 'step.gun-clean': NoValues;
  readonly 'step.gun-strip': NoValues;
  readonly 'step.mix': MixValues;
  /** Mixes paint again whose pot life is over before its coat. */
  readonly 'step.remix': MixValues;
  readonly 'step.coat': {
    readonly finish: string;
    readonly coat: number;
    readonly coats: number;
    readonly method?: Method;
    readonly masked?: boolean;
    readonly peelable?: boolean;
    /** Areas in which it fades out. */
    readonly blends?: Places;
    /** Of the last coat, where one alone is to pull in between; left out: nothing of that. */
    readonly alone?: Message;
    /** Sections of the last coat that are painted in this step. */
    readonly sections?: readonly SectionMessage[];
  };
  readonly 'step.blend': { readonly finish: string; readonly places: Places; readonly method: FinishMethod };
  readonly 'step.inspect': { readonly plugs: boolean; readonly aircraft: boolean };
  readonly 'step.pull': {
    readonly finish: string;
    readonly school: PullTiming;
    readonly fromMin: number;
    readonly toMin: number | null;
    readonly hands: number;
    /** How one alone does it, section by section; left out: no way, or no need. */
    readonly alone?: Message;
    /** Earlier stages whose masks come off with it, by number. */
    readonly older: readonly string[];
    /** The lines it is of where single lines come off before the rest; `rest`: lines have come off before it. Left out: all of it. */
    readonly lines?: Places;
    readonly rest?: boolean;
    /** What is covered by paper or film that lies on these tapes and comes off before them; left out: nothing. */
    readonly covers?: Places;
    /** In sections, which of them, and how: the times are from the coat before it. */
    readonly sections?: readonly SectionMessage[];
    /** Others are painted after it, in its mist where it is sprayed. */
    readonly more?: 'mist' | 'drips';
  };
  /** A step of an older plan, in the words it had. */
  readonly 'step.typed': { readonly title: string; readonly detail: string };
}
export type StepMessage = MessageOf<StepMessages>;

/** A section of a coat. */
export interface SectionMessages {
  /** Areas of a piece; without areas, whole pieces, from the first to the last of the equal ones. */
  readonly 'section.of': {
    readonly part: string;
    readonly areas: readonly string[];
    readonly first: number;
    readonly last: number;
    readonly of: number;
  };
}
export type SectionMessage = MessageOf<SectionMessages>;

/** What a step may not be begun before, or be late for. */
export const RULE_CODES = ['order', 'tape-safe', 'over', 'recoat', 'pull', 'pot', 'flash', 'typed'] as const;
export type AfterCode = (typeof RULE_CODES)[number];

/** Usual cautions; each defers to data sheets, local rules and licensed practice. */
export const SAFETY_CODES = [
  'solvent',
  'dust',
  'biocide',
  'blade',
  'static',
  'plugs',
  'isocyanate',
  'spray',
  'can',
  'rags',
  'antifouling',
  'aircraft',
  'road',
  'height',
] as const;
export type SafetyCode = (typeof SAFETY_CODES)[number];

/** What a person should know, found in air, parts, lines and areas. */
export interface AdviceMessages extends RuleMessages {
  readonly 'advice.dew': { readonly marginC: number; readonly dewPointC: number; readonly needsC: number };
  readonly 'advice.cold': { readonly belowC: number };
  /** Foam a person has chosen for a gap wider than any. */
  readonly 'advice.gap': {
    readonly part: string;
    readonly edge: EdgeName;
    readonly widthMm: number;
    readonly mostMm: number;
  };
  /** A way of closing a person has chosen, and that cannot be; `ways` could. */
  readonly 'advice.closing': {
    readonly opening: string;
    readonly wanted: ClosingWay;
    readonly why: ClosingFault;
    readonly ways: readonly ClosingWay[];
  };
  readonly 'advice.line': { readonly line: string; readonly fault: LineMessage };
  readonly 'advice.loose': { readonly line: string; readonly lengthMm: number };
  readonly 'advice.sliver': { readonly area: string };
  /** `finishes` by name; an empty text for an area that keeps its finish. */
  readonly 'advice.conflict': { readonly area: string; readonly finishes: readonly string[] };
  /** More finishes than the search supports. */
  readonly 'advice.too-many-finishes': { readonly count: number; readonly max: number };
  readonly 'advice.unchosen': { readonly areas: readonly string[] };
  readonly 'advice.lost': { readonly finish: string | null; readonly alongMm: number; readonly aboveMm: number };
  readonly 'advice.doubt': {
    readonly stage: number;
    readonly run: string;
    readonly line: string;
    readonly doubt: Doubt;
  };
  readonly 'advice.no-window': {
    readonly stage: number;
    readonly finish: string;
    readonly wanted: PullTiming;
    readonly school: PullTiming;
  };
  readonly 'advice.line-school': {
    readonly stage: number;
    readonly line: string;
    readonly wanted: PullTiming;
    readonly school: PullTiming;
  };
  readonly 'advice.hands': {
    readonly stage: number;
    readonly pullMin: number;
    readonly windowMin: number;
    readonly hands: number;
    readonly alone?: Message;
  };
  /** One alone cannot: pulling one section takes longer than its window, or there is nothing to be divided. */
  readonly 'advice.not-alone': { readonly stage: number; readonly hands: number };
  readonly 'advice.sections': {
    readonly stage: number;
    readonly wanted: PullTiming;
    readonly school: PullTiming;
    readonly pullMin: number;
    readonly windowMin: number;
    readonly alone?: Message;
  };
  /** The last coat in sections: their number, the maximum painted ahead of the pull, and the total minutes. */
  readonly 'advice.alone': { readonly sections: number; readonly ahead: number; readonly totalMin: number };
  readonly 'advice.over': {
    readonly stage: number;
    readonly finish: string;
    readonly areas: readonly string[];
    readonly answer: CompatibilityAnswer;
    readonly reason: CompatibilityMessage;
  };
  readonly 'advice.late': { readonly stage: number };
  readonly 'advice.kept-open': { readonly area: string; readonly stage: number; readonly finish: string };
  readonly 'advice.not-hidden': { readonly stage: number; readonly finish: string; readonly coats: number };
  readonly 'advice.weak': {
    readonly stage: number;
    readonly finish: string;
    readonly area: string | null;
    readonly coats: number;
    readonly least: number | null;
  };
  readonly 'advice.never-tape': { readonly stage: number; readonly finish: string };
  readonly 'advice.young': { readonly parts: readonly string[]; readonly ageH: number };
  /** `primer`: what would part the two, by system. */
  readonly 'advice.bare': {
    readonly part: string;
    readonly substrate: Substrate;
    readonly finish: string;
    readonly primer: PaintSystemKey;
  };
  readonly 'advice.no-clear': { readonly finish: string };
  readonly 'advice.flakes': { readonly stage: number; readonly flakes: string; readonly solid: string };
  readonly 'advice.trapped': { readonly stage: number; readonly stages: readonly string[] };
  readonly 'advice.clear-edge': { readonly stage: number; readonly line: string };
  /** Finishes by name; an empty text for what is kept. */
  readonly 'advice.contrast-low': {
    readonly finishes: readonly string[];
    readonly deltaE: number;
    readonly limit: number;
  };
  readonly 'advice.contrast-high': {
    readonly finishes: readonly string[];
    readonly deltaE: number;
    readonly limit: number;
  };
}
export type AdviceMessage = MessageOf<AdviceMessages>;
