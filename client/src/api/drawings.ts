import { drawingSummarySchema, takenDrawingSchema, type DrawingSummary, type TakeDrawing, type TakenDrawing } from '@lintrel/core';
import { request } from './http';

/** Has a drawing read: what is in it. */
export const readDrawing = (text: string): Promise<DrawingSummary> => request('POST', '/drawings', drawingSummarySchema, { text });

/** Has layers of a drawing made into an outline and a line. */
export const takeDrawing = (wish: TakeDrawing): Promise<TakenDrawing> => request('POST', '/drawings/take', takenDrawingSchema, wish);
