import { plugsByPart } from './lists';
import type { Item, PartPlan } from './types';

/** Places part by part, named only where there is more than one part: `Deck A1, A3`. */
export function placesOf(places: readonly { readonly part: string; readonly area: string }[], parts: readonly PartPlan[]): string[] {
  const codes = new Map<string, string[]>();
  for (const { part, area } of places) codes.set(part, [...(codes.get(part) ?? []), codeOf(parts, part, area)]);
  return [...codes].map(([part, own]) => `${parts.length > 1 ? `${nameOf(parts, part)} ` : ''}${own.join(', ')}`);
}

/** How many plugs, and where. */
export function plugValues(plugs: readonly Item[], parts: readonly PartPlan[]): { readonly plugs: number; readonly places: readonly string[] } {
  const counts = plugsByPart(plugs);
  return { plugs: counts.reduce((sum, { count }) => sum + count, 0), places: counts.map(({ part, count }) => `${nameOf(parts, part)}: ${count}`) };
}

/** Name of a part. */
export const nameOf = (parts: readonly PartPlan[], id: string): string => parts.find((part) => part.id === id)?.name ?? id;

const codeOf = (parts: readonly PartPlan[], part: string, area: string): string =>
  parts.find(({ id }) => id === part)?.areas.find(({ id }) => id === area)?.code ?? area;
