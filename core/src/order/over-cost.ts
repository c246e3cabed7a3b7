import type { Finish } from '../finish';
import { mayGoOver, type OverAnswer, type OverVerdict } from '../over';
import { RULE_OF_THUMB } from '../units';
import { marksOfFilm, marksOfPresent } from './drying-of';
import type { OrderProblem } from './problem';
import type { Progress } from './progress';

/** What a coat asks of an area before it may go on. */
export interface OverTask {
  readonly area: number;
  readonly answer: OverAnswer;
  readonly reason: string;
  /** System below; null: the bare part. */
  readonly lower: string | null;
}

/** Work and waiting that the films below ask for. */
export interface OverCost {
  readonly tasks: readonly OverTask[];
  readonly waitMin: number;
  readonly abradeMin: number;
  readonly barrierMin: number;
  readonly barrierWaitMin: number;
  /** True where some area must never be coated so. */
  readonly forbidden: boolean;
}

/**
 * Minutes of work an answer asks for on so many square metres: keying them, or a barrier coat over them.
 * Source: rates of abrading and spraying, rules of thumb.
 */
export function overMinutes(answer: OverAnswer, sizeM2: number, { method }: Pick<Finish, 'method'>): number {
  if (sizeM2 <= 0) return 0;
  if (answer === 'abrade') return sizeM2 * RULE_OF_THUMB.abradePerSquareMetre + RULE_OF_THUMB.abradeFixed;
  return answer === 'barrier' ? sizeM2 * RULE_OF_THUMB.sprayPerSquareMetre[method] + RULE_OF_THUMB.perCoat : 0;
}

/**
 * Checks a coat against what lies below it on every open area.
 * @param at when the first coat is meant to go on, minutes from the start
 */
export function overCost(problem: OrderProblem, before: Progress, finish: Finish, open: readonly boolean[], at: number): OverCost {
  const tasks: OverTask[] = [];
  let waitMin = 0;
  let abradeM2 = 0;
  let barrierM2 = 0;
  let forbidden = false;
  // Areas under the same film have the same answer.
  const known = new Map<unknown, ReturnType<typeof verdictAt>>();
  problem.areas.forEach((area, index) => {
    if (!open[index]) return;
    const film = before.films[index];
    const found = film && known.get(film);
    const { age, verdict, lower } = found || verdictAt(problem, before, index, finish, at);
    if (film && !found) known.set(film, { age, verdict, lower });
    if (verdict.answer === 'yes') return;
    tasks.push({ area: index, answer: verdict.answer, reason: verdict.reason, lower });
    if (verdict.answer === 'abrade') abradeM2 += area.sizeM2;
    if (verdict.answer === 'barrier') barrierM2 += area.sizeM2;
    if (verdict.answer !== 'wait' && verdict.answer !== 'no') return;
    if (verdict.untilMin === null) forbidden = true;
    else waitMin = Math.max(waitMin, verdict.untilMin - age);
  });
  const barrier = barrierM2 > 0;
  return {
    tasks,
    waitMin,
    abradeMin: overMinutes('abrade', abradeM2, finish),
    barrierMin: overMinutes('barrier', barrierM2, finish),
    barrierWaitMin: barrier ? RULE_OF_THUMB.barrierFlash : 0,
    forbidden,
  };
}

const YES: OverVerdict = { answer: 'yes', reason: 'Vouched for in this job.', untilMin: null };

function verdictAt(
  problem: OrderProblem,
  before: Progress,
  index: number,
  upper: Finish,
  at: number,
): { age: number; verdict: OverVerdict; lower: string | null } {
  const film = before.films[index];
  const { presentSystem, presentAgeMin } = problem.areas[index];
  const lower = film ? film.finish.system : presentSystem;
  const age = film ? at - film.at : presentAgeMin + at;
  if (lower !== null && problem.rules.vouched.some((pair) => pair.lower === lower && pair.upper === upper.system)) return { age, verdict: YES, lower };
  const marks = film ? marksOfFilm(problem, film.finish, film.coats) : presentSystem && marksOfPresent(problem, presentSystem);
  return { age, verdict: mayGoOver({ marks: marks || null, ageMin: age, known: film !== null }, upper.system), lower };
}
