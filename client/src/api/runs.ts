import { runAnswerSchema, type RunAnswer, type RunRecord } from '@lintrel/core/front';
import { request } from './http';

type Started = NonNullable<RunRecord['started']>;

/** The newest work sheet of each job this page has read: what a sheet holds never changes, so each is fetched once. */
const sheets = new Map<string, Started>();

/** The answer with its plan: the one it brings, or the one that is there already. */
export function wholeRun(job: string, { started, events }: RunAnswer, known: Map<string, Started> = sheets): RunRecord {
  if (started === null) return { started: null, events };
  const plan = started.plan ?? known.get(job)?.plan;
  if (!plan) throw new Error('a sheet was left out that nobody has');
  const whole = { ...started, plan };
  known.set(job, whole);
  return { started: whole, events };
}

/** Asks about a run, or tells of it; the plan comes along only where it is not here yet. */
export async function runRequest(method: 'GET' | 'POST', job: string, what: 'run' | 'start' | 'log', body?: unknown): Promise<RunRecord> {
  const have = sheets.get(job);
  const path = `/jobs/${job}/${what}${have ? `?have=${have.sheet}` : ''}`;
  return wholeRun(job, await request(method, path, runAnswerSchema, body));
}
