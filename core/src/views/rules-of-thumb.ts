/** Rules of thumb of this folder: starting values, shown as estimates. */
export const VIEW_RULES = {
  /** Factor on the height of a ridge if the tape comes off wet. */
  wetRidge: 1.5,
  /** Film removed by flatting a clear, and film that must remain over the ridge, µm. */
  sandedUm: 15,
  clearLeftUm: 40,
} as const;
