/** What an area is under the masks that are still on. */
export const MASK_STATE = {
  /** Something lies on it. */
  covered: 0,
  /** It was open under them: its edges against what they cover are taped. */
  open: 1,
  /** Nothing of what lies on has to do with it. */
  bare: 2,
  /** Not settled yet; in the search only. */
  unsettled: -1,
} as const;

/** Masks that are on when a stage begins: by area, one of `MASK_STATE`. */
export type StandingMasks = readonly number[];
