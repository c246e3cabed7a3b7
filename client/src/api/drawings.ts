import { drawingSummarySchema, takenDrawingSchema, type DrawingSummary, type TakeDrawing, type TakenDrawing } from '@lintrel/core';
import { request, type LongAsk } from './http';

/** Has a drawing read: what is in it. */
export const readDrawing = (text: string, long?: LongAsk): Promise<DrawingSummary> => request('POST', '/drawings', drawingSummarySchema, { text }, long);

/** Has layers of a drawing made into an outline and a line. */
export const takeDrawing = (wish: TakeDrawing, long?: LongAsk): Promise<TakenDrawing> => request('POST', '/drawings/take', takenDrawingSchema, wish, long);
