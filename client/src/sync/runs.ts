import {
  type KeptEvent,
  logAnswerSchema,
  type RunAnswer,
  runAnswerSchema,
  type RunRecord,
  runSchema,
} from '@lintrel/core/front';
import type { QueryClient } from '@tanstack/react-query';
import * as v from 'valibot';
import { request, RequestError } from '@/api/http';
import type { SyncStore } from '@/sync/store';

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

/** Asks about a run, or starts one; the plan comes along only where it is not here yet. */
export async function runRequest(
  method: 'GET' | 'POST',
  job: string,
  what: 'run' | 'start',
  body?: unknown,
): Promise<RunRecord> {
  const have = sheets.get(job);
  const path = `/jobs/${job}/${what}${have ? `?have=${have.sheet}` : ''}`;
  return wholeRun(job, await request(method, path, runAnswerSchema, body));
}

/** Storage of the last run record. */
export type RunStore = Pick<SyncStore, 'read' | 'keep'>;

/**
 * The record of a run. Only new entries are fetched while the sheet is the same. It is stored on the device and used
 * offline.
 * @param known record already on this page
 */
export async function fetchRun(job: string, known: RunRecord | undefined, store: RunStore): Promise<RunRecord> {
  try {
    const run = await askForRun(job, known);
    if (run !== known) await store.keep('runs', job, run).catch(() => undefined);
    return run;
  } catch (error) {
    if (known || !(error instanceof RequestError) || error.final) throw error;
    const kept = v.safeParse(runSchema, await store.read('runs', job).catch(() => null));
    if (!kept.success) throw error;
    return wholeRun(job, kept.output);
  }
}

async function askForRun(job: string, known: RunRecord | undefined): Promise<RunRecord> {
  if (!known?.started) return runRequest('GET', job, 'run');
  const last = known.events.at(-1)?.seq ?? 0;
  const { sheet, events } = await request('GET', `/jobs/${job}/log?after=${last}`, logAnswerSchema);
  if (sheet !== known.started.sheet) return runRequest('GET', job, 'run');
  return events.length === 0 ? known : { started: known.started, events: joined(known.events, events) };
}

/** Entries in the order of the server, each once. */
function joined(known: readonly KeptEvent[], more: readonly KeptEvent[]): KeptEvent[] {
  const bySeq = new Map([...known, ...more].map((event) => [event.seq, event]));
  return [...bySeq.values()].sort((a, b) => a.seq - b.seq);
}

/** Ids of the entries in a record. */
export const idsIn = ({ events }: Pick<RunRecord, 'events'>): ReadonlySet<string> =>
  new Set(events.map(({ id }) => id));

/** The query of a run, without what this page has already. */
export const runQuery = (client: Pick<QueryClient, 'getQueryData'>, job: string, store: RunStore) => ({
  queryKey: ['run', job],
  queryFn: () => fetchRun(job, client.getQueryData<RunRecord>(['run', job]), store),
});
