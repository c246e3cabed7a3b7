import * as v from 'valibot';

/** Phases of long work: waiting in the queue, reading a file, checking it, computing, writing pages. */
const WORK_PHASES = ['waiting', 'reading', 'checking', 'working-out', 'writing'] as const;

/** Progress of long work; `of`: total number of pieces, 0 if unknown. */
const workProgressSchema = v.object({ doing: v.picklist(WORK_PHASES), done: v.number(), of: v.number() });
export type WorkProgress = v.InferOutput<typeof workProgressSchema>;

/** Answer to a page that asks for the progress of its request; null if it has ended or runs on another server. */
export const workAnswerSchema = v.object({ progress: v.nullable(workProgressSchema) });

/** Called repeatedly while long work is in progress. */
export type ReportProgress = (progress: WorkProgress) => void;

/** The name under which a page asks how far its request is, sent along with it. */
export const WORK_HEADER = 'x-lintrel-work';
