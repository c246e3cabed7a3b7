import { carryScheme, fitsOfLine, planJob } from '@lintrel/core';
import type { WorkerJobName, WorkerJobs, WorkerReply, WorkerRequest } from './requests';

const JOBS: { readonly [N in WorkerJobName]: (input: WorkerJobs[N]['input']) => WorkerJobs[N]['output'] } = {
  plan: ({ design, shelf }) => planJob(design, shelf),
  carry: ({ before, after }) => carryScheme(before, after),
  fits: ({ part, line, tapes }) => fitsOfLine(part, line, tapes),
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
