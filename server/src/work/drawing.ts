import type { DrawingSummary, ImportDrawing, ReportProgress } from '@lintrel/core';
import { checkAgainst, type Checked, drawingSchema, importDrawingSchema } from '@lintrel/core';
import { type Drawing, type DrawingRead, fromDrawing, readDxf, readSvg } from '@lintrel/core/files';
import type * as v from 'valibot';
import { jsonFrom, type JsonRead } from './json';

/** What is wanted of a drawing: a summary, or parts of a design made from it. */
interface DrawingTask {
  readonly text: string;
  readonly wish: ImportDrawing['wish'] | null;
}

/** A DrawingSummary or a TakenDrawing, as was asked; or why there is none. */
type DrawingReply = { readonly ok: true; readonly value: unknown } | Extract<DrawingRead, { ok: false }>;

/** What a request for a drawing came to, or what is wrong with the request itself. */
type Requested = Checked<DrawingReply> | Extract<JsonRead, { ok: false }>;

/** Sums up the drawing of a request, as it was sent. */
export function summarizeDrawing(bytes: Uint8Array, tell: ReportProgress): Requested {
  return requested(bytes, drawingSchema, ({ text }) => readDrawing({ text, wish: null }, tell));
}

/** Takes parts of a design from the drawing of a request, as it was sent. */
export function importDrawing(bytes: Uint8Array, tell: ReportProgress): Requested {
  return requested(bytes, importDrawingSchema, (task) => readDrawing(task, tell));
}

function requested<S extends v.GenericSchema>(
  bytes: Uint8Array,
  schema: S,
  read: (task: v.InferOutput<S>) => DrawingReply,
): Requested {
  const json = jsonFrom(bytes);
  if (!json.ok) return json;
  const checked = checkAgainst(schema, json.value);
  return checked.ok ? { ok: true, value: read(checked.value) } : checked;
}

/** Reads a drawing, SVG or DXF. */
export function readDrawing({ text, wish }: DrawingTask, tell: ReportProgress): DrawingReply {
  tell({ doing: 'reading', done: 0, of: 0 });
  const read = /^\s*</.test(text) ? readSvg(text) : readDxf(text);
  if (!read.ok) return read;
  tell({ doing: 'working-out', done: 0, of: 0 });
  return { ok: true, value: wish ? fromDrawing(read.value, wish) : summaryOf(read.value) };
}

function summaryOf({ unitMm, layers, skipped }: Drawing): DrawingSummary {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { paths } of layers) {
    for (const { points } of paths) {
      for (const { x, y } of points) {
        minX = Math.min(minX, x);
        minY = Math.min(minY, y);
        maxX = Math.max(maxX, x);
        maxY = Math.max(maxY, y);
      }
    }
  }
  return {
    unitMm,
    width: maxX - minX,
    height: maxY - minY,
    layers: layers.map(({ name, paths }) => ({ name, paths: paths.length })),
    skipped: [...skipped],
  };
}
