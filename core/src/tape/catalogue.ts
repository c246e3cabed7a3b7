import type { Tape, TapeKind } from './tape';

/** Note on every shipped figure. */
export const TYPICAL_NOTE = "typical, take your data sheet's";

type KindRow = readonly [
  kind: TapeKind,
  name: string,
  widthsMm: readonly number[],
  thicknessUm: number,
  stretch: number,
  fold: number,
  adhesionN25: number,
  edge: Tape['edge'],
  minApplyC: number,
  cleanHours: number,
  use: string,
];

// Typical figures of generic products (rule of thumb); every one can be edited on the Shelf.
const KINDS: readonly KindRow[] = [
  ['V', 'Fine line, soft vinyl', [1.5, 3, 6, 9, 12], 130, 0.15, 0.005, 6.0, 'crisp', 10, 72, 'curves on hard paint'],
  ['F', 'Fine line, stiff film', [1.5, 3, 6, 12, 19], 100, 0.03, 0.004, 6.5, 'crisp', 10, 72, 'long straight lines'],
  [
    'W',
    'Smooth washi',
    [1, 2, 3, 6, 10, 18],
    85,
    0.05,
    0.012,
    2.2,
    'crisp',
    12,
    120,
    'delicate paint, models, varnish',
  ],
  ['M', 'Flexible model vinyl', [1, 2, 3, 5], 120, 0.2, 0.006, 2.8, 'crisp', 12, 48, 'tight curves on models'],
  ['P', "Painter's crepe, gentle", [18, 24, 36, 48], 140, 0.08, 0.03, 3.0, 'fair', 10, 168, 'varnish, models, backing'],
  [
    'C',
    'Refinish crepe, high tack',
    [12, 18, 24, 36, 48],
    160,
    0.1,
    0.03,
    8.5,
    'fair',
    5,
    24,
    'backing, drape, rubber, cold',
  ],
  ['G', 'General crepe', [18, 24, 36, 48], 130, 0.06, 0.025, 5.0, 'soft', 12, 24, 'rough cover, guides'],
  ['X', 'Flexible wheel crepe', [6, 12, 18], 170, 0.18, 0.04, 9.0, 'fair', 5, 48, 'rims, lips'],
  ['T', 'Transfer film', [150, 300], 90, 0.02, 0.003, 3.5, 'crisp', 12, 72, 'broad cut masks'],
];

/** The tapes that ship, one entry a width, in the order of the kinds. */
export const SHIPPED_TAPES: readonly Tape[] = KINDS.flatMap(
  ([kind, name, widths, thicknessUm, stretch, fold, adhesionN25, edge, minApplyC, cleanHours, use]) =>
    widths.map((widthMm) => ({
      code: `${kind}${widthMm}`,
      kind,
      name: `${name} ${widthMm} mm`,
      widthMm,
      thicknessUm,
      stretch,
      fold,
      adhesionN25,
      edge,
      minApplyC,
      cleanHours,
      use,
      basis: TYPICAL_NOTE,
    })),
);
