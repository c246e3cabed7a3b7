import { PAINT_SYSTEMS, type Finish } from '../finish';
import type { Span } from '../units';
import type { AirCourse } from '../air';
import { paceOf, whenPassed, type DryingFilm } from '../air';
import { dwellPace, pullWindows, type DryingMarks, type PullWindows } from './window';
import { REFERENCE_AIR } from '../air';

/** Times of a film in the air as it is and will be; moments on the clock of the course, not minutes since the coat. */
export type MomentsOfFilm = Omit<PullWindows, 'rate'>;

/**
 * The marks and windows of a film over air that changes.
 * @param lastCoatMin when the last coat was on
 * @param factor thickness factor, as for constant air
 * @param dwellH hours at 23 °C the tape comes off clean; in the sun a third of it
 * @returns moments; with constant air the same as `pullWindows`, later by `lastCoatMin`
 */
export function windowsOverAir(
  marks: DryingMarks,
  course: AirCourse,
  { lastCoatMin, factor, dwellH, inSun = false }: { lastCoatMin: number; factor: number; dwellH: number; inSun?: boolean },
): MomentsOfFilm {
  // At the reference a minute of the windows is a minute of progress.
  const needed = pullWindows(marks, { ...REFERENCE_AIR }, factor, Infinity);
  const pace = paceOf(marks);
  const at = (min: number): number => whenPassed(pace, course, lastCoatMin, min) ?? Infinity;
  const dwellEnds = dwellH === Infinity ? Infinity : (whenPassed(dwellPace(inSun), course, lastCoatMin, dwellH * 60) ?? Infinity);
  const clipped = (span: Span | null): Span | null => {
    if (!span) return null;
    const [from, to] = [at(span.from), Math.min(dwellEnds, span.to === null ? Infinity : at(span.to))];
    return to > from ? { from, to: to === Infinity ? null : to } : null;
  };
  return {
    flashMin: at(needed.flashMin),
    touchMin: at(needed.touchMin),
    tapeSafeMin: needed.tapeSafeMin === null ? null : at(needed.tapeSafeMin),
    throughMin: at(needed.throughMin),
    wet: clipped(needed.wet),
    touch: clipped(needed.touch),
    dry: clipped(needed.dry),
  };
}

/**
 * When the next coat may go on, over air that changes.
 * @param coatMin when the coat before was on
 * @returns moments of the first window and, where the sheet has one, of the second; the gap between them is closed
 */
export function recoatOverAir(finish: Finish, course: AirCourse, coatMin: number): Span[] {
  const pace = paceOf(filmOf(finish));
  const at = (min: number): number => whenPassed(pace, course, coatMin, min) ?? Infinity;
  return finish.recoat.map(({ fromMin, toMin }) => ({ from: at(Math.max(finish.flashMin, fromMin)), to: toMin === null ? null : at(toMin) }));
}

/** What decides how fast a finish dries. */
export const filmOf = ({ activationKj, system }: Pick<Finish, 'activationKj' | 'system'>): DryingFilm => ({
  activationKj,
  waterborne: PAINT_SYSTEMS[system].waterborne,
});
