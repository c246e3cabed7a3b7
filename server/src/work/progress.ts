import { type ReportProgress, WORK_HEADER, type WorkProgress } from '@lintrel/core';
import type { Request, Response } from 'express';
import * as v from 'valibot';

/** How far the requests are that are being worked out here, by the names their pages have given them. */
export type Works = Map<string, WorkProgress>;

/** Whoever asks under a name of its own is told how far it is, until it is answered. */
export function progressOf(works: Works, request: Request, response: Response): ReportProgress | undefined {
  const name = request.get(WORK_HEADER);
  if (!name || !v.is(v.pipe(v.string(), v.uuid()), name)) return undefined;
  response.once('close', () => works.delete(name));
  return (progress) => void (response.closed || works.set(name, progress));
}
