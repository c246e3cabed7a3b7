// What is known of one stage of an order, and of the work before it.
import type { SectionCycle } from '../batch';
import type { PullWindows } from '../drying';
import type { CoatCount, Finish, PullTiming } from '../finish';
import type { FinishId, PartId, Span } from '../kit';
import type { MaskEdge, PulledFirst, StageMask, StandingMasks } from '../masking';
import type { CompatibilityCost } from './compatibility-cost';
import type { StageLayerKind } from './layer-stage';
import type { LotShares } from './lots';
import type { Seal } from './seal';

/** Times of a film of a number of coats, minutes after its last coat. */
export interface FilmTimes {
  readonly flashMin: number;
  /** Cleaning the gun after it, minutes; none where it goes through no gun. */
  readonly cleanMin: number;
  /** When its next coat may go on, after the previous one. */
  readonly gap: Span;
  readonly tapeSafeMin: number;
  /** Windows of the three schools, whatever tape is on it. */
  readonly windows: PullWindows;
  /** Intended pull timing, if tape and time allow it. */
  readonly school: PullTiming;
  /** Earliest pull with any timing. */
  readonly leastPullMin: number;
  /** Last moment the film lets the tape off whole; Infinity: it always does. */
  readonly latestMin: number;
}

/** When and how the masks of a stage come off. */
export interface Pulling {
  readonly school: PullTiming;
  /** Window of that timing in this film, minutes after the last coat; `to` null: no end. Not limited by the tape. */
  readonly span: Span;
}

/** Masks of one stage: those that are still on after it are pulled with those of a later one. */
export interface StandingMask {
  readonly mask: StageMask;
  /** When its first tape was laid, and its last coat went on, minutes from the start. */
  readonly laidAt: number;
  readonly at: number;
  /** Intended pull window, minutes after that coat. */
  readonly school: PullTiming;
  readonly span: Span;
  /** Lines of it that a person wants pulled before the rest, the first of them first. */
  readonly early: readonly EarlyPullGroup[];
  /** Last moment the film lets the tape off whole, minutes after that coat. */
  readonly latestMin: number;
  /** Work in the window of its lines, and after it. */
  readonly pullMin: number;
  readonly uncoverMin: number;
  readonly tapeM: number;
  /** Parts whose openings are opened again with it. */
  readonly openings: readonly PartId[];
  /** Of a mask that stays on through the coats of what is beside it: the part it lies on. Null: it belongs to its own stage. */
  readonly part: PartId | null;
}

/** Lines that come off with one pull timing, before the rest of their mask. */
export interface EarlyPullGroup {
  readonly school: PullTiming;
  /** Window of that timing in this film, minutes after the last coat. */
  readonly span: Span;
  /** What of the mask it is: its edges, and strips that are one tape. */
  readonly mask: StageMask;
  /** Schools chosen for lines that are pulled by this one. */
  readonly chosen: readonly (PullTiming | null)[];
}

/** How the edges of a mask come off: what comes first, and the timing of the rest. */
export interface PullGroups {
  readonly school: PullTiming;
  readonly span: Span;
  readonly early: readonly EarlyPullGroup[];
}

/** An executed pull group: lines that come off before the rest. */
export interface EarlyPull {
  readonly school: PullTiming;
  readonly span: Span;
  /** Its edges, as in the masks that come off. */
  readonly edges: ReadonlySet<MaskEdge>;
  readonly pullMin: number;
  readonly hands: number;
  /** When it begins, minutes from the start, and what is waited before it. */
  readonly at: number;
  readonly restMin: number;
}

/** A film that was sprayed in this job. */
interface Film {
  readonly finish: Finish;
  readonly coats: number;
  /** When its last coat went on, minutes from the start. */
  readonly at: number;
  /** Of a last coat in sections: how much sooner the first of them was painted. */
  readonly spreadMin?: number;
}

/** How far the work has come between two stages. */
export interface Progress {
  /** Colour that shows on each area. */
  readonly colours: readonly string[];
  /** Film on top of each area; null: what was on it before. */
  readonly films: readonly (Film | null)[];
  /** Areas that have had their finish. */
  readonly painted: readonly boolean[];
  /** When each area may take tape, minutes from the start. */
  readonly tapeSafeAt: readonly number[];
  /** Minutes from the start. */
  readonly clock: number;
  /** Last finish through each gun. */
  readonly guns: Readonly<Record<string, string>>;
  /** Parts whose openings are closed. */
  readonly plugged: readonly string[];
  /** What is under the masks that are still on; null: none is. */
  readonly standing: StandingMasks | null;
  readonly kept: readonly StandingMask[];
}

/** What is painted and pulled as one: a whole piece of a part, or one area of it. */
export interface StageSection {
  readonly part: PartId;
  /** Which of its alike pieces, from 0. */
  readonly piece: number;
  /** Area by its number among all; null: all of the piece that is painted. */
  readonly area: number | null;
  readonly paintMin: number;
  readonly pullMin: number;
}

/** The last coat of a stage in sections, each pulled in its window. */
export interface StageSections extends SectionCycle {
  readonly sections: readonly StageSection[];
  /** What is painted with the first of them and has no tape. */
  readonly plain: readonly StageSection[];
  /** In which of the pulls an edge comes off, from 1, by its border and what it covers. */
  readonly turnOf: ReadonlyMap<string, number>;
  /** The same of covers that lie on line tapes, by area. */
  readonly coverTurnOf: ReadonlyMap<number, number>;
  /** When the last of them is painted, and the first; minutes from the start of the coat. */
  readonly paintedMin: number;
  readonly firstMin: number;
}

/** What is decided for a stage. */
export interface StageChoice {
  readonly finish: FinishId;
  /** Which areas the paint reaches; those that get this finish are among them. */
  readonly open: readonly boolean[];
  /** True where the masks stay on for the next stage. */
  readonly keep: boolean;
  /** Its last coat in sections, pulled in turns by one person; left out: all of it, then all the tape. */
  readonly sections?: StageSections;
}

/** Masks that come off after a stage. */
interface Pulled {
  readonly masks: readonly StandingMask[];
  /** Single lines that come off before. */
  readonly early: readonly EarlyPull[];
  /** The rest: when, what is waited before it, how much work it is, and by how many people. */
  readonly at: number;
  readonly restMin: number;
  readonly pullMin: number;
  readonly hands: number;
  /** When all of it is off. */
  readonly offMin: number;
  /** What of them comes off in the window of its lines; the rest comes off after. */
  readonly first: PulledFirst<MaskEdge>;
  /** Parts whose openings are opened again after the lines, in the same window, and the work of that. */
  readonly openings: readonly PartId[];
  readonly unplugMin: number;
}

/** What it takes until a finish can be sprayed, minutes. */
export interface GunChange {
  readonly stripMin: number;
  readonly mixMin: number;
  /** The check before colour. */
  readonly gateMin: number;
}

/** One stage of the sequence: masks on, coats of one finish, masks off. */
export interface StageCost extends StageChoice {
  readonly layer: StageLayerKind;
  readonly coats: number;
  /** The undercolour that decided the number of coats, and where the number comes from. */
  readonly under: string;
  readonly coatsFrom: CoatCount['from'];
  /** Masks and plugs, minutes of work. */
  readonly layMin: number;
  readonly plugMin: number;
  /** Parts whose openings are closed in it. */
  readonly closes: readonly PartId[];
  /** Sealing tape edges on texture, and until the seal is dry. */
  readonly sealMin: number;
  readonly seals: readonly Seal[];
  /** Coats, and fading out what fades out: the last of it. */
  readonly coatMin: number;
  readonly blendMin: number;
  readonly pullMin: number;
  /** Taking away what comes off after the pull. */
  readonly uncoverMin: number;
  /** Preparation for the colour: final check, gun stripped down, paint mixed, and mixed again between coats. */
  readonly changeMin: number;
  readonly change: GunChange;
  /** Abrading and barrier coats. */
  readonly overMin: number;
  readonly over: CompatibilityCost;
  /** Minutes without masking or spraying, in which the gun is cleaned. */
  readonly waitMin: number;
  /** Cleaning the gun: after this number of pulls, before the first or after the last of them. */
  readonly cleaning: { readonly minutes: number; readonly after: number };
  /**
   * Parts of the waiting: until colour takes tape, until what is below may be coated, until a seal is dry, between
   * coats, until the pull, until a large cover may come off.
   */
  readonly waits: {
    readonly tapeMin: number;
    readonly overMin: number;
    readonly sealMin: number;
    readonly flashMin: number;
    readonly pullMin: number;
    readonly coverMin: number;
  };
  /** Between two coats. */
  readonly gap: Span;
  /** What is mixed for which coats. */
  readonly lots: LotShares;
  readonly mask: StageMask;
  readonly tapeM: number;
  readonly drapeM2: number;
  readonly paintMl: number;
  /** Weighted metres of show edge. */
  readonly risk: number;
  readonly money: number;
  /** Area on which its colour is temporary, m². */
  readonly strayM2: number;
  /** What must not be done; empty where all is well. */
  readonly forbidden: readonly ('over' | 'late')[];
  /** When the last coat is on, minutes from the start. */
  readonly lastCoatMin: number;
  /** How its own masks come off; null where nothing is masked in it. */
  readonly pulling: StandingMask | null;
  /** Masks of it that stay on through the coats of what is beside them, one a part. */
  readonly outer: readonly StandingMask[];
  /** All masks that come off after it, its own last; null where none does. */
  readonly pulled: Pulled | null;
  readonly after: Progress;
}

/** A complete order of coats. */
export interface Sequence {
  readonly order: readonly string[];
  readonly stages: readonly StageCost[];
  /** Under the aim of the job, in millionths: integers, so that equal costs are equal. */
  readonly score: number;
}
