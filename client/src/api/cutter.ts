import { type CutState, cutStateSchema } from '@lintrel/core';
import { request } from './http';

/** Sends the masks of a saved job to the cutter. */
export const sendToCutter = (job: string, widthMm: number): Promise<CutState> =>
  request('POST', '/cutter', cutStateSchema, { job, widthMm });

/** How far the cutter is. */
export const fetchCut = (id: string): Promise<CutState> => request('GET', `/cutter/${id}`, cutStateSchema);

/** Stops it: what is cut by then is good. */
export const cancelCut = (id: string): Promise<CutState> => request('DELETE', `/cutter/${id}`, cutStateSchema);
