import type { Arrangement } from '../areas';
import { geometryKeys, type Part } from '../job';
import { type SetOut, setOutParts } from '../lines';

/**
 * What was worked out before, by what it follows from: whoever asks about the same part again is answered from here. A caller keeps one
 * for as long as it works on a job, and hands it to whatever it asks.
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

/** What is kept for every part of a job, and besides: a part before and after a change, in another scheme, under a finger. */
const KEPT_A_PART = 2;
const KEPT_BESIDES = 12;

/** What was worked out under a key, which counts as used now; undefined where it was not. */
export function cachedPart<V>(kept: Map<string, V>, key: string): V | undefined {
  const known = kept.get(key);
  if (known === undefined) return undefined;
  kept.delete(key);
  kept.set(key, known);
  return known;
}

/** Keeps something; what was used longest ago goes when there are too many for a job of so many parts. */
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
