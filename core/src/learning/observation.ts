import type { PullTiming } from '../finish';

/** How a film feels to a finger, from wet to dry. */
export const FEELS = ['wet', 'tacky', 'marks', 'dry'] as const;
export type Feel = (typeof FEELS)[number];

/** How a pull went. */
export const PULLS = ['clean', 'strung', 'tore', 'sagged'] as const;
export type PullResult = (typeof PULLS)[number];

/** Marks of a film on its way, reference minutes by its data sheet and its build. */
export interface FilmMarks {
  readonly wetLimitMin: number;
  readonly touchMin: number;
  /** End of the touch-dry window. */
  readonly touchCloseMin: number;
  readonly throughMin: number;
}

/** Something that was seen of a film in this shop, with the reference minutes its air had given it by then. */
export interface Observation {
  readonly passedMin: number;
  readonly marks: FilmMarks;
  readonly saw:
    | { readonly kind: 'feel'; readonly feel: Feel }
    | { readonly kind: 'pull'; readonly school: PullTiming; readonly result: PullResult };
}

/**
 * The interval between marks in which a film was when it was observed like this: reference minutes of a film that
 * dries by its data sheet; `Infinity` if open.
 * A good or bad pull counts like the matching touch test.
 */
export function observedSpan({
  saw,
  marks: { wetLimitMin, touchMin, touchCloseMin, throughMin },
}: Observation): readonly [from: number, to: number] {
  if (saw.kind === 'feel')
    switch (saw.feel) {
      case 'wet':
        return [0, wetLimitMin];
      case 'tacky':
        return [wetLimitMin, touchMin];
      case 'marks':
        // It no longer sticks, but a finger is seen: the last part of the way to touch-dry.
        return [(wetLimitMin + touchMin) / 2, touchMin];
      case 'dry':
        return [touchMin, Infinity];
    }
  switch (saw.result) {
    case 'sagged':
      return [0, wetLimitMin];
    case 'strung':
      return [wetLimitMin, touchMin];
    case 'tore':
      return [touchCloseMin, throughMin];
    case 'clean':
      return saw.school === 'wet'
        ? [0, touchMin]
        : saw.school === 'touch'
          ? [touchMin, throughMin]
          : [throughMin, Infinity];
  }
}
