import type { BackingItem, StepMessage } from '../contract';
import { firstItem } from '../kit';
import type { LayMethod, Technique } from '../runs';
import type { PartPlan } from '../setout';
import { nameOf } from './step-places';

/** How something is laid, without where. */
export const plainHow = ({ from: _from, to: _to, ...how }: LayMethod): Technique => how as Technique;

/** What is done along a backing besides laying it: it ends at other tapes, or is cut back. */
const besides = ({ techniques }: BackingItem): Technique[] =>
  techniques.filter(({ code }) => code !== 'technique.backing' && code !== 'technique.backing-over').map(plainHow);

/**
 * Backings of a part that are laid alike, in one step: the same tape, as far back. What ends at other tapes stands
 * alone, and what lies on another tape comes after it.
 */
export function groupBackings(backings: readonly BackingItem[]): BackingItem[][] {
  const groups: { readonly key: string; readonly items: BackingItem[] }[] = [];
  for (const item of backings) {
    const { part, material, offsetMm, over, count, id } = item;
    const key = JSON.stringify([part, material, offsetMm, over, count, besides(item).length > 0 ? id : null]);
    const below = groups.findLastIndex(({ items }) => items.some((other) => item.after.includes(other.id)));
    const group = groups.find((other, index) => other.key === key && index >= below);
    if (group) group.items.push(item);
    else groups.push({ key, items: [item] });
  }
  return groups.map(({ items }) => items);
}

/** The step of laying backings that are laid alike. */
export function backingMessage(alike: readonly BackingItem[], parts: readonly PartPlan[]): StepMessage {
  const first = firstItem(alike);
  const { material, part, offsetMm, over, count } = first;
  return {
    code: 'step.backing',
    values: {
      tape: material,
      part: parts.length > 1 ? nameOf(parts, part) : null,
      offsetMm,
      over,
      count,
      behind: [...new Set(alike.map(({ lineCode }) => lineCode))],
      along: alike.map(({ lineCode: line, sideSeen: side, lengthMm, pieces, pieceMm }) => ({
        code: 'backing.along',
        values: { line, side, lengthMm, pieces, pieceMm: pieceMm ?? 0 },
      })),
      more: besides(first),
    },
  };
}
