import { drawingSchema, drawingSummarySchema, takeDrawingSchema, takenDrawingSchema, type DrawingSummary, type TakenDrawing } from '@lintrel/core';
import { DRAWING_LIMITS } from '@lintrel/core/files';
import express, { Router, type Response } from 'express';
import { WORDS } from '../words';
import type { DrawingTask } from '../work/drawing';
import type { Workshop } from '../work/workshop';
import { ApiError } from './errors';
import { answered, bodyOf } from './validate';

/** A letter of a text takes at most this many bytes in JSON: an escape such as \u001f. */
const BYTES_A_LETTER = 6;

/** /api/drawings: SVG and DXF files read and taken over. Nothing of them is kept. */
export function drawingRoutes(workshop: Workshop): Router {
  const routes = Router();
  routes.use(express.json({ limit: DRAWING_LIMITS.bytes * BYTES_A_LETTER }));

  async function read(task: DrawingTask, response: Response): Promise<unknown> {
    const reply = await workshop.run('readDrawing', task, response);
    if (!reply.ok) throw new ApiError(422, 'drawing', WORDS.say(reply.why));
    return reply.value;
  }

  routes.post('/', async (request, response) => {
    const { text } = bodyOf(drawingSchema, request.body);
    response.json(answered(drawingSummarySchema, (await read({ text, wish: null }, response)) as DrawingSummary));
  });

  routes.post('/take', async (request, response) => {
    const { text, wish } = bodyOf(takeDrawingSchema, request.body);
    response.json(answered(takenDrawingSchema, (await read({ text, wish }, response)) as TakenDrawing));
  });

  return routes;
}
