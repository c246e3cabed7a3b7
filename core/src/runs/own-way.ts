import type { PlaceChoice } from './pinned';

/** An edge a person masks their own way: a line of a part, or one side of it. */
export interface OwnWay extends PlaceChoice {
  /** What they do there; empty where they did not say. */
  readonly how: string;
}
