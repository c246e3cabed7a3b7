import { plainly, type LogEvent } from '@lintrel/core';
import { appendEvent } from '../db/log';
import type { Queryable } from '../db/pool';
import { ApiError, invalidAt } from './errors';

/** How far a phone's clock may be ahead of the server's. */
const CLOCK_SLACK_MS = 5 * 60_000;

/** Writes an event into the log of a job, or refuses it. */
export async function append(db: Queryable, jobId: string, event: LogEvent): Promise<void> {
  if (Date.parse(event.at) > Date.now() + CLOCK_SLACK_MS)
    throw new ApiError(
      422,
      'invalid',
      'Its time lies in the future: set the clock of this device right, leave this entry out and make it again.',
      invalidAt('at', plainly('server.future')).details,
    );
  switch (await appendEvent(db, jobId, event)) {
    case 'kept':
      return;
    case 'other-job':
      throw new ApiError(409, 'conflict', 'This entry is in the log of another job already.');
    case 'other-content':
      throw new ApiError(409, 'conflict', 'An entry with this id but other content is in the log already. It was left as it is.');
    case 'full':
      throw new ApiError(409, 'log-full', 'The log of this job is full. Finish the job, and begin another for what is left.');
  }
}
