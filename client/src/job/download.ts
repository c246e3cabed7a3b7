/**
 * Saves the kept job as a file on this device.
 * @returns null, or a sentence why there is no file
 */
export async function downloadJob(id: string, title: string): Promise<string | null> {
  const answer = await fetch(`/api/jobs/${id}/file`).catch(() => null);
  if (!answer?.ok) return 'The file could not be fetched: the server does not answer. Try again when it is back.';
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = `${title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
  return null;
}
