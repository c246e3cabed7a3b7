/** Rules of thumb of this folder: starting values, shown as estimates. */
export const FILE_RULES = {
  /** Curves read from drawings are flattened to this, well below what a printed template shows. Millimetres. */
  fileToleranceMm: 0.01,
} as const;
