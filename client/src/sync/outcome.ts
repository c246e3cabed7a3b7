import { RequestError } from '@/api/http';

/** What a failed try to send something means. */
export type Outcome =
  /** No connection, a server at its limit, an answer that is none of ours: it is tried again by itself. */
  | { readonly kind: 'passing' }
  /** The server refuses it permanently. `versions`: the stored version, if there was a conflict. */
  | { readonly kind: 'refused'; readonly code: string; readonly message: string; readonly versions: unknown };

/**
 * Distinguishes temporary failures from permanent refusals. Anything unforeseen is temporary: nothing is discarded
 * for it.
 */
export function outcomeOf(error: unknown): Outcome {
  if (!(error instanceof RequestError) || !error.final) return { kind: 'passing' };
  const { code, message, versions } = error.body;
  return { kind: 'refused', code, message, versions };
}
