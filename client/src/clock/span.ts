import { type RunningWindow, windowState } from '@lintrel/core/front';
import { phrase, type Words } from '@lintrel/words';
import { clockTime, countdown } from '@/words';

type Span = Pick<RunningWindow, 'opens' | 'closes'>;

/** What windows are sorted by: when they open, or, before that is known, when they close. */
export const nextChange = ({ opens, closes }: Span): number => opens ?? closes ?? 0;

/** When a window is, in words: `from 14:05 to 15:00`, `by 15:00`. */
export function spanWords({ opens, closes }: Span, now: number): string {
  if (opens === null) return phrase`by ${clockTime(closes ?? now, now)}`;
  return phrase`from ${clockTime(opens, now)}${closes === null ? '' : phrase` to ${clockTime(closes, now)}`}`;
}

/** Whether it may be done now, and until when, in a sentence; `late` adds the remedy after the limit. */
export function timeWords(
  window: Span & Pick<RunningWindow, 'code'>,
  now: number,
  { late }: Pick<Words, 'late'>,
): string {
  const { opens, closes } = window;
  const until = closes === null ? '' : phrase`, until ${clockTime(closes, now)}`;
  const state = windowState(window, now);
  if (state === 'passed') {
    return phrase`Was to be done by ${clockTime(closes ?? now, now)} (estimate). ${late(window.code)}`;
  }
  if (state === 'open') return phrase`May be done now${until} (estimate)`;
  if (opens === null) return phrase`By ${clockTime(closes ?? now, now)} at the latest (estimate)`;
  return phrase`Not before ${clockTime(opens, now)}, in ${countdown(opens - now)}${until} (estimate)`;
}
