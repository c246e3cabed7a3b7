import type { WorkerJobName, WorkerJobs, WorkerReply, WorkerRequest } from './requests';

type Waiting = { readonly resolve: (output: unknown) => void; readonly reject: (error: Error) => void };

let worker: Worker | null = null;
let lastId = 0;
const waiting = new Map<number, Waiting>();

/** Asks the worker to compute something; it answers in the order it was asked. */
export function compute<N extends WorkerJobName>(name: N, input: WorkerJobs[N]['input']): Promise<WorkerJobs[N]['output']> {
  worker ??= startWorker();
  const request: WorkerRequest<N> = { id: ++lastId, name, input };
  const answer = new Promise<unknown>((resolve, reject) => waiting.set(request.id, { resolve, reject }));
  worker.postMessage(request);
  return answer as Promise<WorkerJobs[N]['output']>;
}

function startWorker(): Worker {
  const started = new Worker(new URL('./plan.worker', window.location.href));
  started.onmessage = ({ data }: MessageEvent<WorkerReply>) => {
    const asked = waiting.get(data.id);
    waiting.delete(data.id);
    if ('error' in data) asked?.reject(new Error(data.error));
    else asked?.resolve(data.output);
  };
  started.onerror = ({ message }) => {
    // Whoever waits is told; the next question starts a fresh worker.
    for (const { reject } of waiting.values()) reject(new Error(message || 'The computation stopped.'));
    waiting.clear();
    worker?.terminate();
    worker = null;
  };
  return started;
}
