import { buildFactor, coatGap, marksOf, pullWindows, type Span } from '../drying';
import { coatsOver, type CoatCount, type Finish, type PaintSystemKey, type School } from '../finish';
import { layerMarks, typicalMarks, type LayerMarks } from '../over';
import type { OrderProblem } from './problem';

/** What the order needs to know of a film of so many coats, minutes after its last coat. */
export interface FilmTimes {
  readonly flashMin: number;
  /** When the next coat of it may go on after the one before. */
  readonly gap: Span;
  readonly tapeSafeMin: number;
  /** Window the tape is meant to be pulled in. */
  readonly pull: Span;
  readonly school: School;
  /** Last moment the tape still comes off clean. */
  readonly latestMin: number;
}

interface Memory {
  readonly times: Map<string, FilmTimes>;
  readonly marks: Map<string, LayerMarks>;
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
  const made = make();
  map.set(key, made);
  return made;
}

/** Times of a film of so many coats in the air of the job. */
export function filmTimes(problem: OrderProblem, finish: Finish, coats: number): FilmTimes {
  return remembered(memoryOf(problem).times, `${finish.id} ${coats}`, () => {
    const marks = marksOf(finish);
    const all = pullWindows(marks, problem.air, buildFactor(finish, coats * finish.coatUm), problem.tapeHours);
    const oneCoat = pullWindows(marks, problem.air, Math.max(1, buildFactor(finish, finish.coatUm)), problem.tapeHours);
    const school = [problem.school ?? finish.school, 'wet' as const, 'touch' as const, 'dry' as const].find((one) => all[one] !== null) ?? 'wet';
    const pull = all[school] ?? { from: 0, to: 0 };
    const latest = Math.max(...[all.wet, all.touch, all.dry].map((span) => (span ? (span.to ?? Infinity) : 0)));
    // A film that never takes tape is treated as safe once it is through, which is what waiting for it would mean.
    return { flashMin: oneCoat.flashMin, gap: coatGap(finish, problem.air), tapeSafeMin: all.tapeSafeMin ?? all.throughMin, pull, school, latestMin: latest };
  });
}

/** Marks that say what may follow a film sprayed in this job. */
export const marksOfFilm = (problem: OrderProblem, finish: Finish, coats: number): LayerMarks =>
  remembered(memoryOf(problem).marks, `${finish.id} ${coats}`, () => layerMarks(finish, problem.air, coats * finish.coatUm));

/** Marks of what was on a part before. */
export const marksOfPresent = (problem: OrderProblem, system: PaintSystemKey): LayerMarks =>
  remembered(memoryOf(problem).marks, ` ${system}`, () => typicalMarks(system, problem.air));

const counts = new WeakMap<Finish, Map<string, CoatCount>>();

/** Coats of a finish over a colour; asked for again in every order that is tried. */
export function rememberedCoats(finish: Finish, under: string): CoatCount {
  const byColour = counts.get(finish) ?? new Map<string, CoatCount>();
  counts.set(finish, byColour);
  return remembered(byColour, under, () => coatsOver(finish, under));
}
