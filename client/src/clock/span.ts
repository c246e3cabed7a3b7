import type { RunningWindow } from '@lintrel/core';
import { clockTime } from '@/words';

type Span = Pick<RunningWindow, 'opens' | 'closes'>;

/** What windows are sorted by: when they open, or, before that is known, when they close. */
export const nextChange = ({ opens, closes }: Span): number => opens ?? closes ?? 0;

/** When a window is, in words: `from 14:05 to 15:00`, `by 15:00`. */
export function spanWords({ opens, closes }: Span, now: number): string {
  if (opens === null) return `by ${clockTime(closes ?? now, now)}`;
  return `from ${clockTime(opens, now)}${closes === null ? '' : ` to ${clockTime(closes, now)}`}`;
}
