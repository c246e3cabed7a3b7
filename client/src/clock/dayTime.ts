/** Minutes from midnight as a clock shows them: 07:30; the end of the day is 24:00. */
export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Parses a time of day in minutes from midnight: `7`, `7:30`, `0730`, `7.30`; null if invalid. */
export function readClock(text: string): number | null {
  const match = /^\s*(\d{1,2})(?:[:.h]?(\d{2}))?\s*$/.exec(text);
  if (!match) return null;
  const minutes = Number(match[1]) * 60 + Number(match[2] ?? 0);
  return Number(match[2] ?? 0) < 60 && minutes <= 1440 ? minutes : null;
}

/** Parses hours of a day: `7-19`, `7:30 to 16`; null for an empty text, undefined if invalid. */
export function readHours(text: string): { readonly fromMin: number; readonly toMin: number } | null | undefined {
  if (text.trim() === '') return null;
  const [from, to, ...more] = text.split(/\s*(?:-|–|to)\s*/).map(readClock);
  if (more.length > 0 || from === undefined || from === null || to === undefined || to === null || to <= from)
    return undefined;
  return { fromMin: from, toMin: to };
}

/** Hours as text of their field. */
export const hoursOf = (hours: { readonly fromMin: number; readonly toMin: number } | null): string =>
  hours ? `${clockOf(hours.fromMin)}-${clockOf(hours.toMin)}` : '';
