import type { DryingAir, DryingFilm } from '../air';
import type { ItemId, Message, PartId, StepId } from '../kit';

export type StepKind =
  | 'wash'
  | 'abrade'
  | 'prime'
  | 'warm'
  | 'set-out'
  | 'lay'
  | 'cover'
  | 'plug'
  | 'seal'
  | 'gate'
  | 'mix'
  | 'coat'
  | 'flash'
  | 'gun-clean'
  | 'gun-strip'
  | 'press'
  | 'pull'
  | 'uncover'
  | 'unplug'
  | 'inspect'
  | 'wait';

/** What a step holds while it lasts. */
export type Need = 'person' | 'booth' | 'gun';

/** A step begins no sooner than `minMin` after another has begun or ended, and no later than `maxMin`. */
export interface AfterRule {
  readonly step: StepId;
  readonly from: 'start' | 'end';
  readonly minMin: number;
  /** Null: it is never too late. */
  readonly maxMin: number | null;
  /** Start of a second recoat window, in minutes; nothing may go on between the two. Left out: there is none. */
  readonly againMin?: number;
  /** What the time is for; `order`: nothing but one after the other. */
  readonly code: string;
  /** The film whose drying the time is, and the air it was counted for. Left out: no film is waited for, or the plan is from before. */
  readonly film?: RuleFilm;
}

/** What a time of drying is counted by: how the film dries, and the air of the plan. */
export interface RuleFilm extends DryingFilm, DryingAir {
  /** It dries elsewhere than where the shop measures: the air of the plan holds. */
  readonly away?: boolean;
}

/** One thing to do, or to wait for. */
export interface Step {
  /** Lasting: session, kind, and what it is done to. A log names steps by it. */
  readonly id: StepId;
  /** Stage number, from 1; null: the job as a whole. */
  readonly stage: number | null;
  readonly kind: StepKind;
  /** Left out where it is done to several parts. */
  readonly part?: PartId;
  /** Items it lays, presses or takes off. */
  readonly items: readonly ItemId[];
  /** Minutes from the start of the job, as planned. */
  readonly startMin: number;
  readonly endMin: number;
  /** False while nobody is needed. */
  readonly attended: boolean;
  /** One entry a person. */
  readonly needs: readonly Need[];
  /** Which gun it goes through; left out: through none, or the plan is from before. */
  readonly gun?: string;
  readonly after: readonly AfterRule[];
  readonly say: Message;
  /** Cautions that apply here, by code. */
  readonly safety: readonly string[];
}
