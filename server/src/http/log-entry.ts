import { type LogEvent, messageWithoutValues } from '@lintrel/core';
import { appendEvent } from '../db/log';
import type { Queryable } from '../db/pool';
import { ApiError, invalidAt } from '../errors/errors';

/** Maximum lead of a phone's clock over the server's. */
const CLOCK_SLACK_MS = 5 * 60_000;

/**
 * Writes an event into the log of a job, or refuses it.
 * @param now the time of this server, ms
 * @returns its number, and whether it is new
 */
export async function append(
  db: Queryable,
  jobId: string,
  event: LogEvent,
  now: number,
): Promise<{ readonly seq: number; readonly fresh: boolean }> {
  if (Date.parse(event.at) > now + CLOCK_SLACK_MS)
    throw new ApiError(
      422,
      'invalid',
      messageWithoutValues('server.entry-in-future'),
      invalidAt('at', messageWithoutValues('server.future')).details,
    );
  const done = await appendEvent(db, jobId, event);
  switch (done) {
    case 'other-job':
      throw new ApiError(409, 'conflict', messageWithoutValues('server.entry-of-other-job'));
    case 'other-content':
      throw new ApiError(409, 'conflict', messageWithoutValues('server.entry-differs'));
    case 'full':
      throw new ApiError(409, 'log-full', messageWithoutValues('server.log-full'));
    default:
      return done;
  }
}
