import { RequestError } from '@/api/http';

/** What a failed try to send something means. */
export type Outcome =
  /** No connection, a server at its limit, an answer that is none of ours: it is tried again by itself. */
  | { readonly kind: 'passing' }
  /** The server has looked at it and does not take it. `versions`: with a refusal because somebody else was first, what is kept there now. */
  | { readonly kind: 'refused'; readonly code: string; readonly message: string; readonly versions: unknown };

/** Tells passing trouble and a final refusal apart. What was not foreseen is passing: nothing is given up for it. */
export function outcomeOf(error: unknown): Outcome {
  if (!(error instanceof RequestError) || !error.final) return { kind: 'passing' };
  const { code, message, versions } = error.body;
  return { kind: 'refused', code, message, versions };
}
