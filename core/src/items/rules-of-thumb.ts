/** Rules of thumb of this folder: starting values, shown as estimates. */
export const ITEM_RULES = {
  /**
   * Typical prices per m², m, ml or piece of masking materials where the shelf has none; thickness of putty over a recess, amount of liquid
   * mask per metre of edge.
   */
  pricePerSupply: { paper: 0.4, film: 0.1, card: 1.5, bag: 0.1, foam: 0.4, putty: 0.1, 'liquid-mask': 0.15 },
  puttyThickMm: 3,
  liquidMaskPerMetreMl: 0.5,
  /** More tapes than this on each other are not pressed into a corner. */
  mostLayers: 3,
} as const;
