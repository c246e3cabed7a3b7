import * as v from 'valibot';
import { shopDaySchema } from '../day';
import { revision } from './summary';

/** The hours of the shop as they are kept, with the revision they are at; 0: nobody has set them yet. */
export const keptShopDaySchema = v.object({ revision: v.number(), day: shopDaySchema });
export type KeptShopDay = v.InferOutput<typeof keptShopDaySchema>;

/** Hours to keep, over the revision they were changed from. */
export const saveShopDaySchema = v.strictObject({ revision: v.union([v.literal(0), revision()]), day: shopDaySchema });
