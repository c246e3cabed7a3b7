import type { Sequence, StageCost } from '../stage';
import { belowArea, boundOrder, possibleLastOpenings, stageFacts } from './bound-order';
import type { CoatShares } from './coat-shares';
import { maskKeepPatterns } from './mask-keeping';
import { costOrder } from './order-cost';
import type { OrderNode, StageFacts } from './order-node';
import { EXISTING_FINISH, type ProblemTable } from './problem-table';
import { initialSettled, settleArea } from './settle';
import { bindingWaits, likelyWaits } from './waits';

/** Costs closer than this are equal: millionths of a minute, about a millisecond. */
export const SCORE_TOLERANCE = 20;

/** Every way the masks of an order may stay on, with nothing else decided. */
export function rootNodes(table: ProblemTable, order: readonly number[]): OrderNode[] {
  return maskKeepPatterns(table, order).flatMap((keep) => {
    const settled = initialSettled(table, order, keep);
    return settled ? [{ order, keep, settled, least: order.map(() => 1), most: order.map(() => Infinity) }] : [];
  });
}

/** Tools for expanding nodes. */
export interface SearchTools {
  readonly table: ProblemTable;
  readonly shares: CoatShares;
  /** Stages before the order. */
  readonly primer: readonly StageCost[];
  /** What every order costs besides its stages, minutes: primer and clear. */
  readonly extra: number;
}

export interface OpenedNode {
  /** Nothing under this node scores less, minutes. */
  readonly bound: number;
  /** A whole sequence found on the way. */
  readonly sequence: Sequence;
  /** The halves it splits into; none where everything is settled. */
  readonly parts: () => readonly OrderNode[];
}

/**
 * Examines what is still possible in an order: cuts give a bound and a first answer.
 * @returns null if nothing is possible
 */
export function expandNode(open: SearchTools, given: OrderNode): OpenedNode | null {
  const { table, primer } = open;
  const node = narrowed(table, given);
  if (!node) return null;
  const { bound, sequence, facts } = boundAndTry(open, node);
  return { bound, sequence, parts: () => branches(table, node, sequence, facts, primer.length) };
}

function boundAndTry({ table, shares, primer, extra }: SearchTools, node: OrderNode) {
  const facts = stageFacts(table, node);
  const waits = likelyWaits(table, node, facts);
  const first = boundOrder(table, shares, node, facts, waits);
  let sequence = costOrder(table, node.order, { open: first.open, keep: node.keep }, primer);
  let bound = first.bound;
  // The waits that really held it up give a tighter bound, and often a better answer.
  const binding = bindingWaits(table, node, sequence, primer.length);
  if (JSON.stringify(binding.toReversed()) !== JSON.stringify(waits)) {
    const second = boundOrder(table, shares, node, facts, binding);
    bound = Math.max(bound, second.bound);
    const other = costOrder(table, node.order, { open: second.open, keep: node.keep }, primer);
    if (other.score < sequence.score) sequence = other;
  }
  return { bound: bound + extra, sequence, facts };
}

/** The two halves of what is still possible, the more promising first; none where everything is settled. */
function branches(
  table: ProblemTable,
  node: OrderNode,
  { stages }: Sequence,
  facts: StageFacts,
  primed: number,
): OrderNode[] {
  const gaps = node.order.map((_, stage) => stages[primed + stage]!.coats - facts.coats[stage]!);
  const dearest = gaps.indexOf(Math.max(...gaps));
  if (gaps[dearest]! > 0 && node.most[dearest]! > facts.coats[dearest]!) {
    return [
      { ...node, most: node.most.with(dearest, facts.coats[dearest]!) },
      { ...node, least: node.least.with(dearest, facts.coats[dearest]! + 1) },
    ];
  }
  const choice = doubtful(table, node, stages, primed) ?? largest(table, node);
  if (!choice) return [];
  const { stage, area } = choice;
  const first = stages[primed + stage]!.open[area]!;
  return [first, !first].flatMap((value) => {
    const settled = settleArea(node.settled, node.keep, stage, area, value);
    return settled ? [{ ...node, settled }] : [];
  });
}

interface Choice {
  readonly stage: number;
  readonly area: number;
}

/** The choice that gave an area a ground that needs more than was counted. */
function doubtful(table: ProblemTable, node: OrderNode, stages: readonly StageCost[], primed: number): Choice | null {
  let worst: (Choice & { extra: number }) | null = null;
  node.order.forEach((finish, stage) => {
    const real = stages[primed + stage]!;
    for (const { area, answer } of real.over.tasks) {
      const below = lastOpen(stages, primed, stage, area);
      const counted = table.leastOver(finish, area, belowArea(node, below)).minutes;
      const size = table.problem.areas[area]!.sizeM2;
      const extra = answer === 'no' ? 1e6 : answer === 'wait' ? 100 : counted > 0 ? 0 : size;
      if (extra <= (worst?.extra ?? 0)) continue;
      const places = below >= 0 ? [below, stage] : [stage];
      const free = places.find((place) => node.settled[place]![area] === -1);
      if (free !== undefined) worst = { stage: free, area, extra };
    }
    // A ground that takes too many coats where the cut could not forbid it.
    if (real.coats <= node.most[stage]!) return;
    table.areasOf[finish]!.forEach((area) => {
      const below = lastOpen(stages, primed, stage, area);
      if (table.coats(finish, area, belowArea(node, below)) <= node.most[stage]!) return;
      const free = possibleLastOpenings(node, stage, area).find(
        (possibleLastOpening) =>
          possibleLastOpening !== EXISTING_FINISH && node.settled[possibleLastOpening]![area] === -1,
      );
      if (free !== undefined) worst = { stage: free, area, extra: Infinity };
    });
  });
  return worst;
}

/** Of what is not settled, the largest area: it weighs most. */
function largest(table: ProblemTable, { settled }: OrderNode): Choice | null {
  let best: Choice | null = null;
  settled.forEach((row, stage) =>
    row.forEach((state, area) => {
      if (state === -1 && (!best || table.problem.areas[area]!.sizeM2 > table.problem.areas[best.area]!.sizeM2))
        best = { stage, area };
    }),
  );
  return best;
}

/** Settles what follows from the most coats each stage may take; null where that cannot be. */
function narrowed(table: ProblemTable, node: OrderNode): OrderNode | null {
  let settled = node.settled;
  for (let again = true; again;) {
    again = false;
    for (const [stage, finish] of node.order.entries()) {
      if (node.most[stage] === Infinity) continue;
      for (const area of table.areasOf[finish]!) {
        const options = possibleLastOpenings({ settled }, stage, area);
        const fits = options.map((option) => table.coats(finish, area, belowArea(node, option)) <= node.most[stage]!);
        const first = fits.indexOf(true);
        if (first < 0) return null;
        const only = fits.lastIndexOf(true) === first ? options[first]! : null;
        const shut =
          only === null
            ? fits[0]
              ? []
              : [options[0]!]
            : options.filter((option) => option !== EXISTING_FINISH && option > only);
        const moves: [number, boolean][] = shut.map((areaIndex) => [areaIndex, false]);
        if (only !== null && only !== EXISTING_FINISH) moves.push([only, true]);
        for (const [at, value] of moves) {
          if (settled[at]![area] === (value ? 1 : 0)) continue;
          const next = settled[at]![area] === -1 ? settleArea(settled, node.keep, at, area, value) : null;
          if (!next) return null;
          settled = next;
          again = true;
        }
      }
    }
  }
  return { ...node, settled };
}

/** The stage that opened an area last before this one; PRESENT where none did. */
const lastOpen = (stages: readonly StageCost[], primed: number, stage: number, area: number): number =>
  stages.slice(primed, primed + stage).findLastIndex(({ open }) => open[area]);
