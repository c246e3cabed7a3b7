import {
  areaRef,
  type CoverItem,
  isLine,
  isOpeningTape,
  type Item,
  type ItemId,
  type LineItem,
  type OpeningTapeItem,
  type OwnItem,
  type PlugItem,
  type SeamItem,
  type SurroundingsItem,
} from '@lintrel/core';

/** An entry of the lay list, applied in one go. */
export type LayEntry =
  | { readonly kind: 'plugs'; readonly id: string; readonly items: readonly (PlugItem | OpeningTapeItem)[] }
  | { readonly kind: 'rim'; readonly id: ItemId; readonly items: readonly [SurroundingsItem] }
  | { readonly kind: 'backing'; readonly id: ItemId; readonly items: readonly [Extract<Item, { kind: 'backing' }>] }
  | { readonly kind: 'line'; readonly id: ItemId; readonly items: readonly [LineItem] }
  | { readonly kind: 'cover'; readonly id: ItemId; readonly items: readonly [CoverItem] }
  | { readonly kind: 'own'; readonly id: ItemId; readonly items: readonly [OwnItem] }
  | { readonly kind: 'seams'; readonly id: string; readonly items: readonly SeamItem[] };

/** The lay list of a stage, in the order of the hands: openings together, everything else piece by piece, the tape over the seams, then what a person lays besides. */
export function layEntries(items: readonly Item[]): LayEntry[] {
  const plugs = items.filter((item): item is PlugItem | OpeningTapeItem => item.kind === 'plug' || isOpeningTape(item));
  const seams = items.filter((item) => item.kind === 'seam');
  const pieces = items.flatMap((item): LayEntry[] => {
    if (item.kind === 'rim') return [{ kind: 'rim', id: item.id, items: [item] }];
    if (item.kind === 'backing') return [{ kind: 'backing', id: item.id, items: [item] }];
    // What is cut from one film is one thing to lay.
    if (isLine(item)) return item.sheetOf === null ? [{ kind: 'line', id: item.id, items: [item] }] : [];
    return item.kind === 'cover' ? [{ kind: 'cover', id: item.id, items: [item] }] : [];
  });
  return [
    ...(plugs.length > 0 ? [{ kind: 'plugs' as const, id: `plugs ${plugs[0]!.id}`, items: plugs }] : []),
    ...pieces,
    ...(seams.length > 0 ? [{ kind: 'seams' as const, id: `seams ${seams[0]!.id}`, items: seams }] : []),
    ...items.flatMap((item): LayEntry[] => (item.kind === 'own' ? [{ kind: 'own', id: item.id, items: [item] }] : [])),
  ];
}

/** Areas an entry covers, as the plan names them: to be shown on the drawing. */
export const coveredBy = (entry: LayEntry): string[] =>
  entry.kind === 'cover' ? entry.items.flatMap(({ part, area }) => (area === null ? [] : [areaRef(part, area)])) : [];
