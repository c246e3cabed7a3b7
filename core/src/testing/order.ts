// Sample problems for tests and benchmarks of the order of coats.
import { isSprayed, SHIPPED_FINISHES } from '../finish';
import { areaRef } from '../kit';
import { MASK_STATE } from '../masking';
import {
  finishesInUse,
  finishOf,
  NO_RULES,
  type OrderArea,
  type OrderBorder,
  type OrderProblem,
  type Progress,
  type StageCost,
  stageCost,
  stageScore,
  startProgress,
} from '../stage';

/** An area with a finish, or kept, on one part of bare steel. */
export const sampleArea = (index: number, finish: string | null, changes: Partial<OrderArea> = {}): OrderArea => ({
  id: areaRef('p', `a${index + 1}`),
  area: `a${index + 1}`,
  code: `A${index + 1}`,
  part: 'p',
  count: 1,
  sizeM2: 0.2 + 0.3 * index,
  narrowM: null,
  present: '#c7bfa6',
  presentSystem: null,
  presentAgeMin: 0,
  keyed: false,
  finish,
  alike: null,
  blend: false,
  strip: null,
  ...changes,
});

/** A straight border of a length in metres. */
export const sampleBorder = (
  a: number,
  b: number,
  lengthM: number,
  changes: Partial<OrderBorder> = {},
): OrderBorder => ({
  a,
  b,
  lengthM,
  pieces: 1,
  setOutMin: 1.5,
  corners: 0,
  bend: 'straight',
  sealM: 0,
  ...changes,
});

/** A problem in the air of a workshop, with the finishes that ship. */
export const sampleProblem = (
  areas: readonly OrderArea[],
  borders: readonly OrderBorder[],
  changes: Partial<OrderProblem> = {},
): OrderProblem => ({
  areas,
  borders,
  plugs: new Map(),
  attached: new Map(),
  finishes: new Map(SHIPPED_FINISHES.map((finish) => [finish.id, finish])),
  air: { airC: 20, rhPercent: 50, movement: 'normal' },
  // By default sprayed in the air it is left in.
  sprayAir: changes.air ?? { airC: 20, rhPercent: 50, movement: 'normal' },
  model: false,
  school: null,
  shortestHours: 24,
  lastsH: () => 48,
  wish: 'work',
  rules: NO_RULES,
  primer: null,
  clear: null,
  ...changes,
});

/** Every order, every choice of open areas and every mask that could stay on, with the same evaluator and nothing clever. */
export function bruteForce(problem: OrderProblem): number {
  const { rules, areas } = problem;
  let best = Infinity;
  const finish = (progress: Progress, score: number) => {
    const clear =
      problem.clear &&
      stageCost(problem, progress, { finish: problem.clear.finish, open: problem.clear.areas, keep: false });
    best = Math.min(best, score + (clear ? stageScore(clear, problem.wish) : 0));
  };
  const visit = (progress: Progress, left: readonly string[], score: number) => {
    if (left.length === 0) return finish(progress, score);
    for (const id of nextOf(problem, left)) {
      for (const open of openings(problem, progress, id, left)) {
        for (const keep of rules.masks === 'free' && left.length > 1 && isSprayed(finishOf(problem, id))
          ? [false, true]
          : [false]) {
          const stage: StageCost = stageCost(problem, progress, { finish: id, open, keep });
          visit(
            stage.after,
            left.filter((other) => other !== id),
            score + stageScore(stage, problem.wish),
          );
        }
      }
    }
  };
  const primer =
    problem.primer &&
    stageCost(problem, startProgress(problem), {
      finish: problem.primer.finish,
      open: problem.primer.areas,
      keep: false,
    });
  visit(
    primer ? primer.after : startProgress(problem),
    finishesInUse({ areas }),
    primer ? stageScore(primer, problem.wish) : 0,
  );
  return best;
}

function nextOf({ rules }: OrderProblem, left: readonly string[]): readonly string[] {
  if (rules.order) return [[...rules.order, ...left].find((id) => left.includes(id)) as string];
  return left.filter((id) => !rules.before.some(({ first, then }) => then === id && left.includes(first)));
}

function openings(
  { areas, rules }: OrderProblem,
  { standing }: Progress,
  id: string,
  left: readonly string[],
): boolean[][] {
  const pinned = (area: number) => rules.pins.find((pin) => pin.finish === id && pin.area === area)?.open;
  const may = areas.map((area, index): boolean[] => {
    if (area.finish === id) return [true];
    const free = area.finish === null ? area.alike === id : left.includes(area.finish);
    if (!free) return [false];
    const pin = pinned(index);
    return pin === undefined ? [false, true] : [pin];
  });
  const all = may.reduce<boolean[][]>(
    (rows, options) => rows.flatMap((row) => options.map((option) => [...row, option])),
    [[]],
  );
  return standing
    ? all.filter((row) => row.every((isOpen, index) => !isOpen || standing[index] !== MASK_STATE.covered))
    : all;
}
