import * as v from 'valibot';
import { shopDaySchema } from '../day';
import { revision } from './summary';

/** Stored hours of the shop with their revision; 0: never set. */
export const keptShopDaySchema = v.object({ revision: v.number(), day: shopDaySchema });
export type KeptShopDay = v.InferOutput<typeof keptShopDaySchema>;

/** Hours to keep, over the revision they were changed from. */
export const saveShopDaySchema = v.strictObject({ revision: v.union([v.literal(0), revision()]), day: shopDaySchema });
