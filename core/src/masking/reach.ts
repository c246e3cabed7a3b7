import type { FinishMethod } from '../finish';

/**
 * Parts that overspray reaches though nothing of them is sprayed: what is attached to a sprayed part. A gun fogs everything it hangs
 * together with; a can or an airbrush reaches the next part; roller and brush reach none.
 * @param attached parts each part is attached to, both ways
 * Source: reach by method, rule of thumb
 */
export function partsInReach(
  attached: ReadonlyMap<string, readonly string[]>,
  sprayed: ReadonlySet<string>,
  method: FinishMethod,
): string[] {
  if (attached.size === 0 || method === 'roller' || method === 'brush') return [];
  const reached = new Set<string>();
  const from = [...sprayed];
  for (const part of from)
    for (const next of attached.get(part) ?? []) {
      if (sprayed.has(next) || reached.has(next)) continue;
      reached.add(next);
      if (method === 'gun') from.push(next);
    }
  return [...reached];
}
