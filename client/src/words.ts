import type { PullTiming } from '@lintrel/core';
import { MS_PER_DAY } from '@lintrel/core/front';

// Words used in several places.

export const STEPS = [
  { path: 'piece', label: 'Piece' },
  { path: 'lines', label: 'Lines' },
  { path: 'areas', label: 'Areas' },
  { path: 'coats', label: 'Coats' },
  { path: 'tape', label: 'Tape' },
  { path: 'time', label: 'Time' },
  { path: 'run', label: 'Run' },
  { path: 'look-back', label: 'Look back' },
] as const;

export const PULL_TIMING_WORDS: Readonly<Record<PullTiming, string>> = { wet: 'Wet', touch: 'Touch-dry', dry: 'Dry' };

export const STATE_WORDS = { planning: 'Being planned', 'in-shop': 'In the shop', finished: 'Finished' } as const;

export const KEEP_AS_IS = 'Keep as it is';
/** Time of day of an instant, with the weekday when it is not today. */
export function clockTime(atMs: number, now: number): string {
  const time = new Date(atMs).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
  if (new Date(atMs).toDateString() === new Date(now).toDateString()) return time;
  const days = Math.abs(atMs - now) / MS_PER_DAY;
  const day = new Date(atMs).toLocaleDateString(
    undefined,
    days < 6 ? { weekday: 'short' } : { day: 'numeric', month: 'short' },
  );
  return `${day} ${time}`;
}

/** Day and time of day of an instant. */
export const dayAndTime = (instant: string): string =>
  new Date(instant).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** Countdown: minutes and seconds under an hour, hours and minutes above. */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const pad = (number: number) => String(number).padStart(2, '0');
  if (seconds < 3600) return `${Math.floor(seconds / 60)}:${pad(seconds % 60)}`;
  if (seconds < 48 * 3600) return `${Math.floor(seconds / 3600)} h ${pad(Math.floor((seconds % 3600) / 60))}`;
  return `${Math.floor(seconds / 86_400)} d ${Math.floor((seconds % 86_400) / 3600)} h`;
}

/** Under a value that need not be given. */
export const OPTIONAL = 'Optional';

/** How many times as long as planned. */
export const times = (factor: number): string => factor.toFixed(2);
