import { type ReportProgress, WORK_HEADER, type WorkProgress } from '@lintrel/core';
import type { Request, Response } from 'express';
import * as v from 'valibot';

/** Progress of requests in work, by the ids their pages have given them. */
export type Works = Map<string, WorkProgress>;

/** Progress callback of a request that carries an id; its progress is kept until it is answered. Undefined without an id. */
export function progressOf(works: Works, request: Request, response: Response): ReportProgress | undefined {
  const name = request.get(WORK_HEADER);
  if (!name || !v.is(v.pipe(v.string(), v.uuid()), name)) return undefined;
  response.once('close', () => works.delete(name));
  return (progress) => void (response.closed || works.set(name, progress));
}
