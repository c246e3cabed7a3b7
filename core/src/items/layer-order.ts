import type { StageSource } from '../problem';
import { mostSpecificFirst, type Run } from '../runs';
import type { Sequence } from '../stage';
import { earlyPull, removalOf, removalStage } from './item-frame';
import type { RunLaying } from './line-items';

/**
 * Which of a line tape and the backing behind it lies over the other in a stage, and whether they come off before the rest. Pulled wet or at
 * touch the line tape comes off alone and early, so it lies last, over the edge of its backing. Where both come off dry, or stay on through
 * other coats, the line tape lies first: its edge is pressed down along its whole width before anything is stuck to it.
 * @returns of a run; what a person has chosen goes first, the nearest of it
 */
export function layerOrder(
  sequence: Sequence,
  index: number,
  { design, problem, works, starts }: StageSource,
): (run: Run) => RunLaying {
  const pins = design.choices.layers ?? [];
  return ({ part, line, side, between }) => {
    const partIndex = works.findIndex((work) => work.part.id === part);
    const owner = works[partIndex]!.lines.find(({ id }) => id === line)?.owner ?? line;
    const closed = starts.areas[partIndex]! + between.closed;
    const edge = { border: starts.borders[partIndex]! + between.border, closed };
    const untilOf: RunLaying['untilOf'] = (until) => removalOf(sequence, index, edge, until);
    const near = mostSpecificFirst({ part, line: owner, side }, pins)[0];
    if (near) return { backingOver: near.first === 'line', untilOf };
    const off = removalStage(sequence, index, closed);
    const { pulling, finish } = sequence.stages[off]!;
    const school = earlyPull(sequence, index, edge)?.school ?? pulling?.school ?? problem.finishes.get(finish)?.school;
    return { backingOver: off > index || school === 'dry', untilOf };
  };
}
