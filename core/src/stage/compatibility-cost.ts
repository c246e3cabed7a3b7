import type { Finish } from '../finish';
import { messageWithoutValues, RULE_OF_THUMB, TOLERANCE } from '../kit';
import { type Compatibility, type CompatibilityAnswer, type CompatibilityMessage, compatibilityOf } from '../over';
import { marksOfFilm, marksOfPresent } from './film-times';
import type { OrderProblem } from './problem';
import { STAGE_RULES } from './rules-of-thumb';
import type { Progress } from './stage';

/** What a coat requires of an area before it may go on. */
interface CompatibilityTask {
  readonly area: number;
  readonly answer: CompatibilityAnswer;
  readonly reason: CompatibilityMessage;
  /** System below; null: the bare part. */
  readonly lower: string | null;
}

/** When a coat may go over a film of this job, minutes after the last coat of that film. */
interface RecoatWindow {
  /** When the last coat of the film below went on, minutes from the start. */
  readonly at: number;
  readonly fromMin: number;
  /** Null: it does not close, or what is below is keyed or parted by a barrier coat. */
  readonly toMin: number | null;
}

/** Work and waiting required by the films below. */
export interface CompatibilityCost {
  readonly tasks: readonly CompatibilityTask[];
  readonly windows: readonly RecoatWindow[];
  readonly waitMin: number;
  readonly abradeMin: number;
  readonly barrierMin: number;
  readonly barrierWaitMin: number;
  /** True where some area must never be coated so. */
  readonly forbidden: boolean;
}

/**
 * Minutes of work for an area: abrading it, or a barrier coat over it.
 * Source: rates of abrading and spraying, rules of thumb.
 */
export function compatibilityMinutes(
  answer: CompatibilityAnswer,
  sizeM2: number,
  { method }: Pick<Finish, 'method'>,
): number {
  if (sizeM2 <= 0) return 0;
  if (answer === 'abrade') return sizeM2 * RULE_OF_THUMB.abradePerSquareMetre + RULE_OF_THUMB.abradeFixed;
  return answer === 'barrier' ? sizeM2 * RULE_OF_THUMB.sprayPerSquareMetre[method] + RULE_OF_THUMB.perCoat : 0;
}

/**
 * Checks a coat against the films below on every open area, at the moment it actually goes on: waiting for one area
 * makes the film on another older.
 * @param begins start of the stage's work, minutes from the start: abrading comes first, before any tape
 * @param laterMin minutes of masking and mixing from then until the first coat could go on if nothing were required
 */
export function compatibilityCost(
  problem: OrderProblem,
  before: Progress,
  finish: Finish,
  open: readonly boolean[],
  begins: number,
  laterMin: number,
): CompatibilityCost {
  const beginMin = begins + laterMin;
  let keyedLate = false;
  const waited = new Map<number, CompatibilityTask>();
  let now = beginMin;
  for (let round = 0; ; round++) {
    const needs = overAt(problem, before, finish, open, now);
    const barrierWaitMin = needs.barrierMin > 0 ? STAGE_RULES.barrierFlash : 0;
    const ready = beginMin + needs.abradeMin + needs.barrierMin + barrierWaitMin;
    const { tasks, readyAt, windows, abradeMin, barrierMin, forbidden } = needs;
    if (Math.max(ready, readyAt) <= now + TOLERANCE.rounding || round >= MOST_ROUNDS) {
      // What is too young to be coated is too young to be keyed: the wait is over before the keying, not before the coat.
      if (!keyedLate && tasks.some(({ area, answer }) => answer === 'abrade' && waited.has(area))) {
        keyedLate = true;
        now += laterMin + abradeMin + barrierMin + barrierWaitMin;
        continue;
      }
      return {
        tasks: [...waited.values(), ...tasks.filter(({ area, answer }) => answer !== 'wait' || !waited.has(area))].sort(
          (task, other) => task.area - other.area,
        ),
        windows,
        waitMin: Math.max(0, now - ready),
        abradeMin,
        barrierMin,
        barrierWaitMin,
        forbidden,
      };
    }
    // A wait stays in the result, whatever the older film requires by then.
    if (readyAt > ready)
      for (const task of tasks)
        if ((task.answer === 'wait' || task.answer === 'no') && !waited.has(task.area))
          waited.set(task.area, { ...task, answer: 'wait' });
    now = Math.max(ready, readyAt);
  }
}

/** Each round waits for a later window: a film has two at most. */
const MOST_ROUNDS = 6;

function overAt(problem: OrderProblem, before: Progress, finish: Finish, open: readonly boolean[], atMin: number) {
  const tasks: CompatibilityTask[] = [];
  const windows = new Map<number, RecoatWindow>();
  let readyAt = 0;
  let abradeM2 = 0;
  let barrierM2 = 0;
  let forbidden = false;
  // Areas under the same film have the same answer.
  const known = new Map<unknown, ReturnType<typeof compatibilityAt>>();
  problem.areas.forEach((area, index) => {
    if (!open[index]) return;
    const film = before.films[index];
    const cached = film && known.get(film);
    const { age, verdict, lower } = cached || compatibilityAt(problem, before, index, finish, atMin);
    if (film && !cached) known.set(film, { age, verdict, lower });
    const toMin = verdict.window?.toMin ?? null;
    if (film)
      windows.set(film.at, {
        at: film.at,
        fromMin: verdict.window?.fromMin ?? 0,
        toMin: toMin === null ? null : toMin - (film.spreadMin ?? 0),
      });
    if (verdict.answer === 'yes') return;
    tasks.push({ area: index, answer: verdict.answer, reason: verdict.reason, lower });
    if (verdict.answer === 'abrade') abradeM2 += area.sizeM2;
    if (verdict.answer === 'barrier') barrierM2 += area.sizeM2;
    if (verdict.answer !== 'wait' && verdict.answer !== 'no') return;
    if (verdict.untilMin === null) forbidden = true;
    else readyAt = Math.max(readyAt, atMin - age + verdict.untilMin);
  });
  return {
    tasks,
    windows: [...windows.values()],
    readyAt,
    abradeMin: compatibilityMinutes('abrade', abradeM2, finish),
    barrierMin: compatibilityMinutes('barrier', barrierM2, finish),
    forbidden,
  };
}

const VOUCHED: Compatibility = { answer: 'yes', reason: messageWithoutValues('over.vouched'), untilMin: null };
const KEYED: Compatibility = { answer: 'yes', reason: messageWithoutValues('over.keyed'), untilMin: null };

/** What a coat may do on an area as the work stands. */
export function compatibilityAt(
  problem: OrderProblem,
  before: Progress,
  index: number,
  upper: Finish,
  atMin: number,
): { age: number; verdict: Compatibility; lower: string | null } {
  const film = before.films[index];
  const { presentSystem, presentAgeMin, keyed } = problem.areas[index]!;
  const lower = film ? film.finish.system : presentSystem;
  const age = film ? atMin - film.at : presentAgeMin + atMin;
  if (lower !== null && problem.rules.vouched.some((pair) => pair.lower === lower && pair.upper === upper.system))
    return { age, verdict: VOUCHED, lower };
  const marks = film
    ? marksOfFilm(problem, film.finish, film.coats)
    : presentSystem && marksOfPresent(problem, presentSystem);
  const last = compatibilityOf({ marks: marks || null, ageMin: age, known: film !== null }, upper.system);
  // If a film was painted in sections, the first may be past a limit that the last one still keeps.
  const first =
    film?.spreadMin && last.answer === 'yes'
      ? compatibilityOf({ marks: marks || null, ageMin: age + film.spreadMin, known: true }, upper.system)
      : last;
  const verdict = first.answer === 'yes' ? last : first;
  return { age, verdict: film === null && keyed && verdict.answer === 'abrade' ? KEYED : verdict, lower };
}
