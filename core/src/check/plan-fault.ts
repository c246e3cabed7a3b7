import type { MessageOf } from '../kit';

/** A rule of the plan that is broken: a bug of ours, never of the person's. */
export interface PlanFaultMessages {
  /** Two steps, items or windows have the same id, or an id is referenced that does not exist. */
  readonly 'broken.id': { readonly id: string };
  readonly 'broken.after': {
    readonly step: string;
    readonly other: string;
    readonly isMin: number;
    readonly minMin: number;
    readonly maxMin: number | null;
  };
  readonly 'broken.window': { readonly window: string };
  readonly 'broken.late-keying': { readonly step: string };
  /** A step comes before one that has to precede it, or a stage has no check before its colour. */
  readonly 'broken.order': { readonly step: string };
  readonly 'broken.edge': {
    readonly stage: number;
    readonly line: string;
    readonly fromMm: number;
    readonly items: number;
  };
  readonly 'broken.uncovered': { readonly stage: number; readonly area: string };
  readonly 'broken.open-covered': { readonly stage: number; readonly area: string };
  readonly 'broken.pulled': { readonly item: string; readonly times: number };
  readonly 'broken.laid': { readonly item: string; readonly times: number };
  /** An item is laid before one it lies over, or comes off after it. */
  readonly 'broken.lies-over': { readonly item: string; readonly over: string };
  /** A tape lies where no sheet ends. */
  readonly 'broken.seam': { readonly item: string };
  /** A cover beside what is painted hangs from no tape. */
  readonly 'broken.loose-cover': { readonly item: string };
  /** A large cover comes off while paint beside it is wet. */
  readonly 'broken.wet-cover': { readonly item: string };
  /** A section is not painted, or not pulled in its window. */
  readonly 'broken.section': { readonly stage: number; readonly part: string; readonly piece: number };
  readonly 'broken.long-pull': { readonly step: string; readonly pullMin: number; readonly windowMin: number };
  readonly 'broken.sum': { readonly of: string; readonly shown: number; readonly found: number };
  readonly 'broken.clock': { readonly step: string };
  /** A pull states a window other than that of its rules. */
  readonly 'broken.told': { readonly step: string };
  readonly 'broken.tape': { readonly step: string; readonly item: string };
}
export type PlanFault = MessageOf<PlanFaultMessages>;

/** Plans are rounded to a millionth: sums of many steps may differ by a little more. Minutes and mm. */
export const SUM_TOLERANCE = 1e-3;
