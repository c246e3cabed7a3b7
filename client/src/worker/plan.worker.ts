import {
  analyseLine,
  carryScheme,
  dragged,
  draftParts,
  fitsOfLine,
  handlesOf,
  matchLine,
  ordersByWish,
  pictureOf,
  planJob,
  stationTable,
  type WorkStore,
} from '@lintrel/core';
import type { WorkerJobName, WorkerJobs, WorkerReply, WorkerRequest } from './requests';

// Lines and areas of the parts that did not change since the last question are kept.
const store: WorkStore = new Map();
const drafts: WorkStore = new Map();

const JOBS: { readonly [N in WorkerJobName]: (input: WorkerJobs[N]['input']) => WorkerJobs[N]['output'] } = {
  plan: ({ design, shelf }) => planJob(design, shelf, store),
  draft: ({ design, shelf, from }) => draftParts(from ? carryScheme(from, design) : design, shelf, drafts),
  wishes: ({ design, shelf }) => ordersByWish(design, shelf, store),
  carry: ({ before, after }) => carryScheme(before, after),
  fits: ({ parts, part, line, tapes }) => fitsOfLine(parts, part, line, tapes),
  picture: ({ design, shelf, look }) => pictureOf(design, shelf, look, store),
  stations: ({ design, wish }) => stationTable(design, wish),
  analysis: ({ parts, part, line }) => analyseLine(parts, part, line),
  match: ({ parts, part, line, datum, measured }) => matchLine(parts, part, line, datum, measured),
  drag: (wish) => dragged(wish),
  handles: ({ parts, part, line }) => handlesOf(parts, part, line),
};

self.onmessage = ({ data }: MessageEvent<WorkerRequest>) => {
  self.postMessage(replyTo(data));
};

function replyTo({ id, name, input }: WorkerRequest): WorkerReply {
  try {
    return { id, output: (JOBS[name] as (given: unknown) => unknown)(input) };
  } catch (error) {
    return { id, error: error instanceof Error ? error.message : String(error) };
  }
}
