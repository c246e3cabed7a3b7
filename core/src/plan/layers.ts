import type { Sequence } from '../order';
import { nearestFirst, type Run } from '../runs';
import { offAfter } from './item-frame';
import type { StageSource } from './means';

/**
 * Which of a line tape and the backing behind it lies over the other in a stage. Pulled wet or at touch the line tape comes off alone and
 * early, so it lies last, over the edge of its backing. Where both come off dry, or stay on through other coats, the line tape lies first:
 * its edge is pressed down along its whole width before anything is stuck to it.
 * @returns for a run: true where the backing lies over its line tape; what a person has chosen goes first, the nearest of it
 */
export function backingOver(sequence: Sequence, index: number, { design, problem, works, starts }: StageSource): (run: Run) => boolean {
  const pins = design.choices.layers ?? [];
  return ({ part, line, side, between }) => {
    const at = works.findIndex((work) => work.part.id === part);
    const owner = works[at]!.lines.find(({ id }) => id === line)?.owner ?? line;
    const near = nearestFirst({ part, line: owner, side }, pins)[0];
    if (near) return near.first === 'line';
    const off = offAfter(sequence, index, starts.areas[at]! + between.closed);
    const { pulling, finish } = sequence.stages[off]!;
    return off > index || (pulling?.school ?? problem.finishes.get(finish)?.school) === 'dry';
  };
}
