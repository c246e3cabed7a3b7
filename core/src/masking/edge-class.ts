import type { FinishId, PartId } from '../kit';
import { MASK_STATE } from './mask-state';

/**
 * What an edge between an open and a covered area is: `crisp` makes a line that stays, `rough` gets painted over later, `soft` fades out.
 */
export type EdgeClass = 'crisp' | 'rough' | 'soft';

/** What of an area decides about the edges of its mask. */
export interface MaskArea {
  readonly part: PartId;
  /** Planned finish; null: kept. */
  readonly finish: FinishId | null;
  /** A kept area that is already in this finish: it may stay open while that is sprayed. */
  readonly alike: string | null;
  /** The finish fades out within it. */
  readonly blend: boolean;
  /** Not null where one tape is as wide as the area: it makes both edges and covers it. */
  readonly strip: unknown;
  /** Of an area so narrow that the tapes along its lines can cover it: how wide these are, mm. Left out: it is wider. */
  readonly narrow?: number;
}

/** True if the colour of a covered area is final: it is kept, or already painted. */
export const isColourFinal = ({ finish }: Pick<MaskArea, 'finish'>, painted: boolean): boolean =>
  finish === null || painted;

/**
 * Class of the edge between an open and a covered area.
 * @param painted whether the covered one is already painted
 */
export function edgeClass(
  free: Pick<MaskArea, 'blend'>,
  closed: Pick<MaskArea, 'finish'>,
  painted: boolean,
): EdgeClass {
  if (free.blend && closed.finish === null) return 'soft';
  return isColourFinal(closed, painted) ? 'crisp' : 'rough';
}

/** When the mask on a covered area is laid: in this stage, before it, or, where nothing is settled yet, in this stage if it was open before. */
export type MaskLaid = 'now' | 'before' | 'if-open';

/**
 * When the mask on a covered area is laid.
 * @param under what the area is under the masks that are still on, one of `MASK_STATE`; null where no mask is on
 */
export function whenMaskLaid(under: number | null): MaskLaid {
  if (under === MASK_STATE.covered) return 'before';
  return under === MASK_STATE.unsettled ? 'if-open' : 'now';
}
