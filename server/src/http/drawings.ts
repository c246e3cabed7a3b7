import { type DrawingSummary, drawingSummarySchema, type ImportedDrawing, importedDrawingSchema } from '@lintrel/core';
import { DRAWING_LIMITS } from '@lintrel/core/files';
import { ApiError } from '../errors/errors';
import { bytesOf, valueOf } from './body';
import { type Context, type Route, route } from './route';

/** A character of a text takes at most this many bytes in JSON: an escape such as \u001f. */
const BYTES_A_CHARACTER = 6;
/** Drawings are the largest requests. */
const maxBytes = DRAWING_LIMITS.bytes * BYTES_A_CHARACTER;

/** Reads what was sent, and the drawing in it, in another process. */
async function read(
  { run, request }: Pick<Context, 'run' | 'request'>,
  task: 'summarizeDrawing' | 'importDrawing',
): Promise<unknown> {
  const reply = valueOf(await run(task, bytesOf(request.body)));
  if (!reply.ok) throw new ApiError(422, 'drawing', reply.why);
  return reply.value;
}

/** /api/drawings: reads and imports SVG and DXF files. Nothing is stored. */
export const drawingRoutes: readonly Route[] = [
  route({
    method: 'POST',
    path: '/drawings',
    right: 'plan',
    reads: 'bytes',
    maxBytes,
    answer: drawingSummarySchema,
    work: async (context) => (await read(context, 'summarizeDrawing')) as DrawingSummary,
  }),
  route({
    method: 'POST',
    path: '/drawings/take',
    right: 'plan',
    reads: 'bytes',
    maxBytes,
    answer: importedDrawingSchema,
    work: async (context) => (await read(context, 'importDrawing')) as ImportedDrawing,
  }),
];
