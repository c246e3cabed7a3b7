import {
  addCovers,
  type Cover,
  coverMin,
  coverOver,
  edgeCost,
  finishesInUse,
  finishOf,
  isBacked,
  isSprayed,
  newPartCache,
  NO_COVER,
  type OrderProblem,
  orderProblem,
  partsInReach,
  type Plan,
  planJob,
  uncoverMin,
  wholePartCover,
  workOutParts,
} from '@lintrel/core';
import type { Job } from './planning';

/** What a way of masking a job takes. */
export interface Masking {
  readonly minutes: number;
  readonly tapeM: number;
  readonly pieces: number;
  readonly coverM2: number;
}

/** What the plan takes: laying, pulling and taking away, all stages. */
export function maskingOf({ stages, items }: Plan): Masking {
  const pieces = items.reduce((sum, item) => sum + item.count * (item.kind === 'backing' ? item.pieces : 1), 0);
  return {
    minutes: stages.reduce((sum, { layMin, pullMin, uncoverMin: off }) => sum + layMin + pullMin + off, 0),
    tapeM: stages.reduce((sum, { tapeM }) => sum + tapeM, 0),
    pieces,
    coverM2: items.reduce((sum, item) => sum + (item.kind === 'cover' ? item.sizeM2 : 0), 0),
  };
}

/**
 * The straightforward way: colours in the order of the scheme; for each, every edge against what is not sprayed is taped, a line that stays
 * and with a backing, and every other area of the part is covered by itself; all of it off again before the next colour.
 */
export function straightforward({ design, shelf }: Job): Masking {
  const problem = orderProblem(workOutParts(design, newPartCache()), design, shelf);
  const layers = [problem.primer, problem.clear].flatMap((layer) => (layer ? [layer] : []));
  const stages = [
    ...finishesInUse(problem).map((id) => ({ id, open: problem.areas.map(({ finish }) => finish === id) })),
    ...layers.map(({ finish, areas }) => ({ id: finish as string, open: [...areas] })),
  ];
  const all = stages.map(({ id, open }) => stageTaken(problem, open, finishOf(problem, id).method));
  const plugs = [problem.plugMin, problem.unplugMin]
    .flatMap((minutes) => [...(minutes?.values() ?? [])])
    .reduce((sum, minutes) => sum + minutes, 0);
  return {
    minutes: all.reduce((sum, { minutes }) => sum + minutes, 0) + plugs,
    tapeM: all.reduce((sum, { tapeM }) => sum + tapeM, 0),
    pieces: all.reduce((sum, { pieces }) => sum + pieces, 0),
    coverM2: all.reduce((sum, { coverM2 }) => sum + coverM2, 0),
  };
}

function stageTaken(
  problem: OrderProblem,
  open: readonly boolean[],
  method: ReturnType<typeof finishOf>['method'],
): Masking {
  const { areas, borders, attached, model } = problem;
  const edges = borders.filter(({ a, b, oneWay }) => open[a] !== open[b] && (open[a] || !oneWay));
  const costs = edges.map((edge) => {
    const backed = isBacked(edge, open[edge.a] ? edge.b : edge.a, 'crisp', isSprayed({ method }));
    return { ...edgeCost(edge, { crisp: true, backed }, model), pieces: edge.pieces * (backed ? 2 : 1) };
  });
  const sprayed = new Set(areas.flatMap(({ part }, area) => (open[area] ? [part] : [])));
  const drapes: Cover[] = [
    ...areas.flatMap((area, index) =>
      open[index] || !sprayed.has(area.part) || area.narrow !== undefined ? [] : [coverOver(area)],
    ),
    ...partsInReach(attached, sprayed, method).map((part) => wholePartCover(areas, part)),
  ];
  const drape = drapes.reduce(addCovers, NO_COVER);
  const sum = (figure: (cost: (typeof costs)[number]) => number) =>
    costs.reduce((total, cost) => total + figure(cost), 0);
  return {
    minutes: sum(({ layMin, pullMin }) => layMin + pullMin) + coverMin(drape) + uncoverMin(drape),
    tapeM: sum(({ tapeM }) => tapeM),
    pieces: sum(({ pieces }) => pieces) + drapes.reduce((total, { pieces }) => total + pieces, 0),
    coverM2: drape.sizeM2,
  };
}

/** Plan and straightforward way of a job beside one another. */
export const besideStraightforward = (job: Job): { readonly plan: Masking; readonly straight: Masking } => ({
  plan: maskingOf(planJob(job.design, job.shelf)),
  straight: straightforward(job),
});
