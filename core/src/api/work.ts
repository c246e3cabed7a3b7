import * as v from 'valibot';

/** What is being done for somebody who waits: waiting its turn; reading a file, checking it; working a plan or the parts out; writing pages. */
export const WORK_PHASES = ['waiting', 'reading', 'checking', 'working-out', 'writing'] as const;

/** How far long work is; `of`: how many pieces there are, 0 where nobody knows. */
export const workProgressSchema = v.object({ doing: v.picklist(WORK_PHASES), done: v.number(), of: v.number() });
export type WorkProgress = v.InferOutput<typeof workProgressSchema>;

/** What a page is told that asks how far its request is; null where it is not here any more, or another server works at it. */
export const workAnswerSchema = v.object({ progress: v.nullable(workProgressSchema) });

/** Told again and again while something long is worked out. */
export type ReportProgress = (progress: WorkProgress) => void;

/** The name under which a page asks how far its request is, sent along with it. */
export const WORK_HEADER = 'x-lintrel-work';
