import type { FilmTimes } from '../stage';
import type { SettledChoices } from './settle';

/** An order whose open areas are being settled. */
export interface OrderNode {
  readonly order: readonly number[];
  readonly keep: readonly boolean[];
  readonly settled: SettledChoices;
  /** Minimum and maximum coats of each stage. */
  readonly least: readonly number[];
  readonly most: readonly number[];
}

/** Everything about the stages that does not depend on which waits are counted. */
export interface StageFacts {
  readonly coats: readonly number[];
  readonly times: readonly FilmTimes[];
  readonly change: readonly number[];
  readonly over: readonly number[];
}
