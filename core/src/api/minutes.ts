import * as v from 'valibot';
import { WORK_SORTS } from '../runsheet';

/** Working speed in this shop, of everybody together (`person` null) and of each person who signs in. */
export const minutesAnswerSchema = v.array(
  v.object({
    person: v.nullable(v.string()),
    sort: v.picklist(WORK_SORTS),
    factor: v.number(),
    low: v.number(),
    high: v.number(),
    count: v.number(),
  }),
);
export type MinutesAnswer = v.InferOutput<typeof minutesAnswerSchema>;
