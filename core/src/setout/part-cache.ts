import type { Arrangement } from '../areas';
import { geometryKeys, type Part } from '../job';
import { type SetOut, setOutParts } from '../lines';

/**
 * Cache of computed parts by everything they depend on. A caller keeps one while it works on a job and passes it
 * along.
 */
export interface PartCache {
  readonly setOuts: Map<string, SetOut>;
  readonly works: Map<string, WorkedPart>;
}

/** A part with its lines and its areas. */
export interface WorkedPart {
  readonly setOut: SetOut;
  readonly arrangement: Arrangement;
}

/** A store with nothing in it. */
export const newPartCache = (): PartCache => ({ setOuts: new Map(), works: new Map() });

/** Entries kept per part, and in addition: a part before and after a change, in another scheme, while dragging. */
const KEPT_A_PART = 2;
const KEPT_BESIDES = 12;

/** The entry of a key, marked as recently used; undefined if there is none. */
export function cachedPart<V>(kept: Map<string, V>, key: string): V | undefined {
  const known = kept.get(key);
  if (known === undefined) return undefined;
  kept.delete(key);
  kept.set(key, known);
  return known;
}

/** Adds an entry; the least recently used one is removed if there are too many for a job with this number of parts. */
export function storeInCache<V>(all: Map<string, V>, key: string, value: V, parts: number): V {
  all.set(key, value);
  for (const [oldest] of all) {
    if (all.size <= KEPT_A_PART * parts + KEPT_BESIDES) break;
    all.delete(oldest);
  }
  return value;
}

const knownSetOut = (key: string, { works, setOuts }: PartCache): SetOut | undefined =>
  cachedPart(works, key)?.setOut ?? cachedPart(setOuts, key);

/**
 * Lines of parts, set out once.
 * @param wanted ids of parts
 * @returns one entry a wanted part that there is
 */
export function setOutCached(
  parts: readonly Part[],
  wanted: readonly string[],
  store: PartCache,
): ReadonlyMap<string, SetOut> {
  const keys = geometryKeys(parts);
  const keyOf = (id: string) => keys.get(id) as string;
  const there = wanted.filter((id) => keys.has(id));
  const missing = there.filter((id) => !knownSetOut(keyOf(id), store));
  const fresh = setOutParts(parts, missing);
  for (const [id, made] of fresh) storeInCache(store.setOuts, keyOf(id), made, parts.length);
  return new Map(there.map((id) => [id, (fresh.get(id) ?? knownSetOut(keyOf(id), store)) as SetOut]));
}

/** Lines of one part, set out once; undefined where there is no such part. */
export const setOutOnePart = (parts: readonly Part[], id: string, store: PartCache): SetOut | undefined =>
  setOutCached(parts, [id], store).get(id);
