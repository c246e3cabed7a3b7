import type { StepMessage, SurroundingsItem } from '../contract';
import { firstItem, sumOf } from '../kit';
import type { Technique } from '../runs';
import type { PartPlan } from '../setout';
import { nameOf } from './step-places';

/** Pieces of one part that are of one material and laid alike: one step of the hands. */
export function groupSurroundings(rims: readonly SurroundingsItem[]): SurroundingsItem[][] {
  const groups = new Map<string, SurroundingsItem[]>();
  for (const rim of rims) {
    const key = JSON.stringify([
      rim.part,
      rim.material,
      rim.widthMm,
      rim.beyond,
      rim.techniques.map(({ code, values }) => [code, values]),
    ]);
    groups.set(key, [...(groups.get(key) ?? []), rim]);
  }
  return [...groups.values()];
}

/** Message of such a step. */
export function surroundingsMessage(alike: readonly SurroundingsItem[], parts: readonly PartPlan[]): StepMessage {
  const { part, material, widthMm, beyond, count, techniques } = firstItem(alike);
  const [technique, ...more] = techniques.map(({ from: _from, to: _to, ...how }) => how as Technique);
  const edges = [...new Map(alike.map(({ edge, edgeName }) => [edge, edgeName])).values()];
  return {
    code: 'step.rim',
    values: {
      part: parts.length > 1 ? nameOf(parts, part) : null,
      material,
      widthMm,
      beyond,
      edges,
      lengthMm: sumOf(alike, ({ lengthMm }) => lengthMm),
      count,
      technique: technique as Technique,
      more,
    },
  };
}
