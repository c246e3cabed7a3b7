import type { Step } from '../runsheet';
import { MS_PER_MINUTE } from '../units';
import { LOG_RULES } from './rules-of-thumb';

/** Whether people may enter the booth: not while spraying, and not until the air has cleared. */
export interface BoothState {
  /** Something in this job holds hardener that others must not breathe. */
  readonly twoPart: boolean;
  /** The soonest it can be clear, ms; null: a coat is next, or being sprayed. */
  readonly untilMs: number | null;
}

/**
 * What the booth is like by the sheet and log of a job.
 * @param doneAt when steps were done, ms
 * @param next the step that is next
 * @returns null where nothing was sprayed in it lately and nothing is next
 * Source: rule of thumb; the booth's own time to clear, data sheets and local rules decide.
 */
export function boothState(
  steps: readonly Step[],
  doneAt: ReadonlyMap<string, number>,
  next: Step | null,
  now: number,
): BoothState | null {
  const twoPart = steps.some(({ safety }) => safety.includes('isocyanate'));
  if (next && isSprayedInBooth(next)) return { twoPart, untilMs: null };
  const last = Math.max(...steps.filter(isSprayedInBooth).map(({ id }) => doneAt.get(id) ?? -Infinity));
  const untilMs = last + LOG_RULES.boothClears * MS_PER_MINUTE;
  return untilMs > now ? { twoPart, untilMs } : null;
}

const isSprayedInBooth = ({ kind, needs }: Step): boolean => kind === 'coat' && needs.includes('booth');
