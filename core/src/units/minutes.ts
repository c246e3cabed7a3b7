/** Clocks count in milliseconds, plans in minutes. */
export const MS_PER_MINUTE = 60_000;
export const MS_PER_DAY = 1440 * MS_PER_MINUTE;

/**
 * Writes a span of time for people.
 * @param minutes span; negative spans are written with a minus
 * @returns `40 s`, `12 min`, `3 h`, `3 h 05 min` or `2 d 4 h`
 */
export function showMinutes(minutes: number): string {
  const sign = minutes < 0 ? '−' : '';
  const size = Math.abs(minutes);
  if (size > 0 && size < 1) return `${sign}${Math.round(size * 60)} s`;
  const whole = Math.round(size);
  if (whole < 60) return `${sign}${whole} min`;
  if (whole < 48 * 60)
    return `${sign}${Math.floor(whole / 60)} h${whole % 60 === 0 ? '' : ` ${String(whole % 60).padStart(2, '0')} min`}`;
  const hours = Math.floor((whole % 1440) / 60);
  return `${sign}${Math.floor(whole / 1440)} d${hours === 0 ? '' : ` ${hours} h`}`;
}
