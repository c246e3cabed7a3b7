import type { Design, LineFit, Part, Plan, Shelf, Tape } from '@lintrel/core';

/** What can be asked of the worker, and what it answers. */
export interface WorkerJobs {
  plan: { readonly input: { readonly design: Design; readonly shelf: Shelf }; readonly output: Plan };
  carry: { readonly input: { readonly before: Design; readonly after: Design }; readonly output: Design };
  fits: { readonly input: { readonly part: Part; readonly line: string; readonly tapes: readonly Tape[] }; readonly output: readonly LineFit[] };
}
export type WorkerJobName = keyof WorkerJobs;

export interface WorkerRequest<N extends WorkerJobName = WorkerJobName> {
  readonly id: number;
  readonly name: N;
  readonly input: WorkerJobs[N]['input'];
}

export type WorkerReply = { readonly id: number; readonly output: unknown } | { readonly id: number; readonly error: string };
