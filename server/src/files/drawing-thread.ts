import { fromDrawing, readDxf, readSvg, type Drawing } from '@lintrel/core/files';
import type { DrawingSummary, TakeDrawing } from '@lintrel/core';
import { parentPort, workerData } from 'node:worker_threads';

/** What the thread is asked: a summary, or the drawing made into parts of a design. */
export interface DrawingTask {
  readonly text: string;
  readonly wish: TakeDrawing['wish'] | null;
}

/** A DrawingSummary or a TakenDrawing, as was asked; or a sentence why there is none. */
export type DrawingReply = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly message: string };

function reply({ text, wish }: DrawingTask): DrawingReply {
  const read = /^\s*</.test(text) ? readSvg(text) : readDxf(text);
  if (!read.ok) return read;
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
  return { unitMm, width: maxX - minX, height: maxY - minY, layers: layers.map(({ name, paths }) => ({ name, paths: paths.length })), skipped: [...skipped] };
}

parentPort?.postMessage(reply(workerData as DrawingTask));
