import {
  type DrawingSummary,
  drawingSummarySchema,
  type ImportDrawing,
  type ImportedDrawing,
  importedDrawingSchema,
} from '@lintrel/core';
import { type LongAsk, request } from './http';

/** Has a drawing read: what is in it. */
export const readDrawing = (text: string, long?: LongAsk): Promise<DrawingSummary> =>
  request('POST', '/drawings', drawingSummarySchema, { text }, long);

/** Has layers of a drawing made into an outline and a line. */
export const takeDrawing = (wish: ImportDrawing, long?: LongAsk): Promise<ImportedDrawing> =>
  request('POST', '/drawings/take', importedDrawingSchema, wish, long);
