import type { ApiErrorBody } from '@lintrel/core';
import { type LongAsk, longAsk, STOPPED } from '@/api/http';

const NO_SERVER = 'The file could not be fetched: the server does not answer. Try again when it is back.';

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name.replace(/[^\p{L}\p{N}. ]+/gu, '-');
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Saves a text as a file on this device. */
export const saveText = (text: string, name: string, type: string): void => save(new Blob([text], { type }), name);

/** Saves what the server answers as a file; a sentence where there is none, else null. */
async function saved(answer: Response | null, name: string): Promise<string | null> {
  if (!answer) return NO_SERVER;
  if (!answer.ok) {
    const body = (await answer.json().catch(() => null)) as ApiErrorBody | null;
    return body?.error.message ?? NO_SERVER;
  }
  save(await answer.blob(), name);
  return null;
}

/**
 * Saves the job as a file on this device.
 * @returns null, or the reason for a failure
 */
export const downloadJob = async (id: string, title: string): Promise<string | null> =>
  saved(
    await fetch(`/api/jobs/${id}/file`).catch(() => null),
    `${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.json`,
  );

/**
 * Downloads a file made on the server from the saved job.
 * @returns null, or the reason for a failure
 */
export async function saveAnswer(path: string, body: object, name: string, long?: LongAsk): Promise<string | null> {
  const { headers, signal } = longAsk(long);
  const asked = {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
    ...(signal ? { signal } : {}),
  };
  const answer = await fetch(`/api${path}`, asked).catch(() => null);
  return signal?.aborted ? STOPPED.message : saved(answer, name);
}
