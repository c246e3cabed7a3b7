import { drawingSchema, drawingSummarySchema, takeDrawingSchema, takenDrawingSchema, type DrawingSummary, type TakenDrawing } from '@lintrel/core';
import { DRAWING_LIMITS } from '@lintrel/core/files';
import express from 'express';
import { WORDS } from '../words';
import type { DrawingTask } from '../work/drawing';
import { ApiError } from './errors';
import { route, type Context, type Route } from './route';

/** A letter of a text takes at most this many bytes in JSON: an escape such as \u001f. */
const BYTES_A_LETTER = 6;
/** Drawings are larger than anything else that is sent. */
const reads = express.json({ limit: DRAWING_LIMITS.bytes * BYTES_A_LETTER });

async function read({ run }: Pick<Context, 'run'>, task: DrawingTask): Promise<unknown> {
  const reply = await run('readDrawing', task);
  if (!reply.ok) throw new ApiError(422, 'drawing', WORDS.say(reply.why));
  return reply.value;
}

/** /api/drawings: SVG and DXF files read and taken over. Nothing of them is kept. */
export const drawingRoutes: readonly Route[] = [
  route({
    method: 'POST',
    path: '/drawings',
    right: 'plan',
    reads,
    body: drawingSchema,
    answer: drawingSummarySchema,
    work: async (context) => (await read(context, { text: context.body.text, wish: null })) as DrawingSummary,
  }),
  route({
    method: 'POST',
    path: '/drawings/take',
    right: 'plan',
    reads,
    body: takeDrawingSchema,
    answer: takenDrawingSchema,
    work: async (context) => (await read(context, context.body)) as TakenDrawing,
  }),
];
