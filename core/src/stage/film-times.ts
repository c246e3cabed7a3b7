import { buildFactor, coatFlashMin, coatGap, dryingBuildUm, marksOf, maxDwellMin, pullWindows } from '../drying';
import { type CoatCount, coatsOver, type Finish, type PaintSystemKey, PULL_TIMINGS } from '../finish';
import { type FilmAgeMarks, filmAgeMarks, typicalAgeMarks } from '../over';
import { usesGun } from './gun';
import type { OrderProblem } from './problem';
import { mayGiveUpTiming } from './pulling';
import { STAGE_RULES } from './rules-of-thumb';
import type { FilmTimes } from './stage';

interface Memory {
  readonly times: Map<string, FilmTimes>;
  readonly marks: Map<string, FilmAgeMarks>;
  leastHours?: number;
}
const memories = new WeakMap<OrderProblem, Memory>();

function memoryOf(problem: OrderProblem): Memory {
  const known = memories.get(problem) ?? { times: new Map(), marks: new Map() };
  memories.set(problem, known);
  return known;
}

function remembered<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const value = make();
  map.set(key, value);
  return value;
}

/**
 * Times of a film of a number of coats in the air of the job: coats flash where it is sprayed, the rest dries where
 * it is left.
 */
export function filmTimes(problem: OrderProblem, finish: Finish, coats: number): FilmTimes {
  return remembered(memoryOf(problem).times, `${finish.id} ${coats}`, () => {
    const marks = marksOf(finish);
    const factor = buildFactor(finish, dryingBuildUm(finish, coats));
    // What is pulled wet is pulled where it was sprayed; all later windows are of where it is left.
    const { wet } = pullWindows(marks, problem.sprayAir, factor, Infinity);
    const windows = { ...pullWindows(marks, problem.air, factor, Infinity), wet };
    const school =
      [problem.school ?? finish.school, ...PULL_TIMINGS].find((timing) => windows[timing] !== null) ?? 'wet';
    const from = windows[school]?.from ?? 0;
    return {
      flashMin: coatFlashMin(finish, problem.sprayAir),
      cleanMin: usesGun(finish) ? STAGE_RULES.gunClean : 0,
      gap: coatGap(finish, problem.sprayAir),
      // A film that never takes tape is treated as safe once it is through, which is what waiting for it would mean.
      tapeSafeMin: windows.tapeSafeMin ?? windows.throughMin,
      windows,
      school,
      leastPullMin: givesWay(problem, from)
        ? 0
        : Math.min(from, ...(problem.pulls?.schools ?? []).map((other) => windows[other]?.from ?? 0)),
      latestMin: Math.max(...PULL_TIMINGS.map((timing) => (windows[timing] ? (windows[timing].to ?? Infinity) : 0))),
    };
  });
}

/**
 * True if some stage might give up a pull timing that starts this late. The tapes are looked up only if the shelf
 * leaves a doubt.
 */
function givesWay(problem: OrderProblem, fromMin: number): boolean {
  const { airC } = problem.air;
  if (!mayGiveUpTiming(fromMin, maxDwellMin(problem.shortestHours, airC))) return false;
  const memory = memoryOf(problem);
  memory.leastHours ??= leastHours(problem);
  return mayGiveUpTiming(fromMin, maxDwellMin(memory.leastHours, airC));
}

/** Of all edges a mask may have, on either side, crisp or rough: how long the best tape for the worst of them lasts, h at 23 °C. */
function leastHours({ areas, borders, lastsH }: OrderProblem): number {
  let least = Infinity;
  borders.forEach(({ a, b }, border) => {
    for (const [free, closed] of [
      [a, b],
      [b, a],
    ] as const)
      for (const edgeType of ['crisp', 'rough'] as const)
        least = Math.min(
          least,
          lastsH({
            border,
            free,
            closed,
            class: edgeType,
            laid: 'now',
            strip: areas[closed]!.strip !== null,
            backed: false,
          }),
        );
  });
  return least;
}

/** Marks that decide what may follow a film sprayed in this job. */
export const marksOfFilm = (problem: OrderProblem, finish: Finish, coats: number): FilmAgeMarks =>
  remembered(memoryOf(problem).marks, `${finish.id} ${coats}`, () =>
    filmAgeMarks(finish, problem.air, dryingBuildUm(finish, coats)),
  );

/** Marks of what was on a part before. */
export const marksOfPresent = (problem: OrderProblem, system: PaintSystemKey): FilmAgeMarks =>
  remembered(memoryOf(problem).marks, ` ${system}`, () => typicalAgeMarks(system, problem.air));

const counts = new WeakMap<Finish, Map<string, CoatCount>>();

/** Coats of a finish over a colour, cached. */
export function memoizedCoats(finish: Finish, under: string): CoatCount {
  const byColour = counts.get(finish) ?? new Map<string, CoatCount>();
  counts.set(finish, byColour);
  return remembered(byColour, under, () => coatsOver(finish, under));
}
