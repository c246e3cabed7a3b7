import { drawingSchema, drawingSummarySchema, takeDrawingSchema, takenDrawingSchema, type DrawingSummary, type TakenDrawing } from '@lintrel/core';
import { DRAWING_LIMITS } from '@lintrel/core/files';
import express, { Router } from 'express';
import { readInThread } from '../files/read-drawing';
import { ApiError } from './errors';
import { answered, bodyOf } from './validate';

/** /api/drawings: SVG and DXF files read and taken over. Nothing of them is kept. */
export function drawingRoutes(): Router {
  const routes = Router();
  // A text in JSON is longer than the text, by its escapes.
  routes.use(express.json({ limit: DRAWING_LIMITS.bytes * 1.5 }));

  routes.post('/', async (request, response) => {
    const { text } = bodyOf(drawingSchema, request.body);
    response.json(answered(drawingSummarySchema, (await read(text, null)) as DrawingSummary));
  });

  routes.post('/take', async (request, response) => {
    const { text, wish } = bodyOf(takeDrawingSchema, request.body);
    response.json(answered(takenDrawingSchema, (await read(text, wish)) as TakenDrawing));
  });

  return routes;
}

async function read(text: string, wish: Parameters<typeof readInThread>[0]['wish']): Promise<unknown> {
  const reply = await readInThread({ text, wish });
  if (!reply.ok) throw new ApiError(422, 'drawing', reply.message);
  return reply.value;
}
