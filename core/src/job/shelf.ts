import * as v from 'valibot';
import { finishSchema, SHIPPED_FINISHES, type Finish } from '../finish';
import { SHIPPED_TAPES, tapeSchema, type Tape } from '../tape';

/** What the shop has to work with. */
export const shelfSchema = v.strictObject({
  tapes: v.pipe(v.array(tapeSchema, 'needs a list of tapes'), v.maxLength(500, 'has at most 500 tapes')),
  finishes: v.pipe(v.array(finishSchema, 'needs a list of finishes'), v.maxLength(500, 'has at most 500 finishes')),
});

export interface Shelf {
  readonly tapes: readonly Tape[];
  readonly finishes: readonly Finish[];
}

/** The shelf a new shop starts with. */
export const SHIPPED_SHELF: Shelf = { tapes: SHIPPED_TAPES, finishes: SHIPPED_FINISHES };
