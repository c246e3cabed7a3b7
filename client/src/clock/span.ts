import type { RunningWindow } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { clockTime } from '@/words';

type Span = Pick<RunningWindow, 'opens' | 'closes'>;

/** What windows are sorted by: when they open, or, before that is known, when they close. */
export const nextChange = ({ opens, closes }: Span): number => opens ?? closes ?? 0;

/** When a window is, in words: `from 14:05 to 15:00`, `by 15:00`. */
export function spanWords({ opens, closes }: Span, now: number): string {
  if (opens === null) return phrase`by ${clockTime(closes ?? now, now)}`;
  return phrase`from ${clockTime(opens, now)}${closes === null ? '' : phrase` to ${clockTime(closes, now)}`}`;
}
