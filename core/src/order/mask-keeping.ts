import { type FilmTimes, filmTimes } from '../stage';
import { EXISTING_FINISH, type ProblemTable } from './problem-table';

/** With more stages, only the masks of the first ones may stay on. */
const MOST_KEPT = 8;

/** After which stages the masks may stay on. */
export function maskKeepPatterns(table: ProblemTable, order: readonly number[]): boolean[][] {
  const none = order.map(() => false);
  const may = order.flatMap((finish, stage) =>
    stage < order.length - 1 && mayKeepMasks(table, finish, order[stage + 1]!) ? [stage] : [],
  );
  return Array.from({ length: 2 ** Math.min(may.length, MOST_KEPT) }, (_, choice) =>
    none.map((_one, stage) => may.includes(stage) && ((choice >> may.indexOf(stage)) & 1) === 1),
  );
}

/**
 * True where masks may stay on from one colour to the next: the next does not wait for it, or its tape can still be pulled after that wait.
 * What hangs against drips covers too little to stay for another colour.
 */
export function mayKeepMasks(table: ProblemTable, finish: number, next: number): boolean {
  const { masks, late } = table.problem.rules;
  if (masks === 'fresh' || table.drips[finish]) return false;
  return !table.share(finish, next) || lastsOver(table, finish, late);
}

/** True where tape over this film could be pulled after it was tape-safe and something else went on. */
function lastsOver(table: ProblemTable, finish: number, late: boolean): boolean {
  const counts = table.areasOf[finish]!.flatMap((area) =>
    [EXISTING_FINISH, ...table.finishes.keys()].map((below) => table.coats(finish, area, below)),
  );
  const times = [...new Set(counts)].map((count) => filmTimes(table.problem, table.finishes[finish]!, count));
  const chosen = table.problem.pulls?.schools ?? [];
  const closes = ({ windows, school }: FilmTimes) =>
    Math.max(...[school, ...chosen].map((timing) => windows[timing]?.to ?? Infinity));
  return times.some((film) => film.tapeSafeMin < (late ? film.latestMin : closes(film)));
}
