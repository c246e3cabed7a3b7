import * as v from 'valibot';
import { idText, numberBetween } from '../kit';

/** The masks of a job are to be cut from film of a width. */
export const cutSchema = v.strictObject({ job: idText(), widthMm: numberBetween(10, 2000, 'mm') });

/** How far a cutter is with what was sent to it. */
export const cutStateSchema = v.object({
  id: v.string(),
  /** `broken`: the connection to the cutter was lost, or it sent a message outside the protocol. */
  state: v.picklist(['cutting', 'done', 'cancelled', 'out-of-sheet', 'broken']),
  /** Paths that are cut, and all of them. */
  done: v.number(),
  of: v.number(),
  /** SVG of what was cut; null while cutting, and if the cutter sent none. */
  picture: v.nullable(v.string()),
});
export type CutState = v.InferOutput<typeof cutStateSchema>;
