import type { PlaceChoice } from './pinned';

/** An edge a person masks their own way: a line of a part, or one side of it. */
export interface OwnWay extends PlaceChoice {
  /** Description; may be empty. */
  readonly how: string;
}
