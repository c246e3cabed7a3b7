import type { Span, PartId } from '../units';
import type { Finish, PullTiming } from '../finish';
import type { StageMask, StandingMasks } from '../masking';
import type { EarlyPullGroup } from './apart';
import type { OrderProblem } from './problem';

/** A film that was sprayed in this job. */
export interface Film {
  readonly finish: Finish;
  readonly coats: number;
  /** When its last coat went on, minutes from the start. */
  readonly at: number;
  /** Of a last coat in sections: how much sooner the first of them was painted. */
  readonly spreadMin?: number;
}

/** Masks of one stage: those that are still on after it are pulled with those of a later one. */
export interface StandingMask {
  readonly mask: StageMask;
  /** When its first tape was laid, and its last coat went on, minutes from the start. */
  readonly laidAt: number;
  readonly at: number;
  /** Window they are meant to be pulled in, minutes after that coat. */
  readonly school: PullTiming;
  readonly span: Span;
  /** Lines of it that a person wants pulled before the rest, the first of them first. */
  readonly early: readonly EarlyPullGroup[];
  /** Last moment the film lets the tape off whole, minutes after that coat. */
  readonly latestMin: number;
  readonly pullMin: number;
  /** Taking its paper and film away. */
  readonly uncoverMin: number;
  readonly tapeM: number;
  /** Of a mask that stays on through the coats of what is beside it: the part it lies on. Null: it belongs to its own stage. */
  readonly part: PartId | null;
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
  /** Parts that have been sprayed before: their openings are plugged. */
  readonly plugged: readonly string[];
  /** What is under the masks that are still on; null: none is. */
  readonly standing: StandingMasks | null;
  readonly kept: readonly StandingMask[];
}

/** Before any coat. */
export const startProgress = ({ areas }: OrderProblem): Progress => ({
  colours: areas.map(({ present }) => present),
  films: areas.map(() => null),
  painted: areas.map(() => false),
  tapeSafeAt: areas.map(() => 0),
  clock: 0,
  guns: {},
  plugged: [],
  standing: null,
  kept: [],
});
