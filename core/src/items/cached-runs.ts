import type { Shelf } from '../job';
import { type MaskedPart, type MaskingMeans, type Run, stageRuns } from '../runs';

/** Cache of runs per part, by its lines and the shelf, then by the request. */
const kept = new WeakMap<MaskedPart['lines'], WeakMap<Shelf, Map<string, readonly Run[]>>>();

/** More than this of one part are not asked again. */
const MOST_KEPT = 60;

/**
 * The runs of one part in a stage. They depend on its lines, its mask, the masking materials and the person's
 * choices; while none of these changes, as on parts that are not being edited, they are taken from the cache.
 */
export function cachedRuns(part: MaskedPart, means: MaskingMeans, shelf: Shelf): readonly Run[] {
  const byShelf = kept.get(part.lines) ?? new WeakMap<Shelf, Map<string, readonly Run[]>>();
  kept.set(part.lines, byShelf);
  const known = byShelf.get(shelf) ?? new Map<string, readonly Run[]>();
  byShelf.set(shelf, known);
  const { id, count, edges, rows, posts } = part;
  const { pins, ownWays, scale, surfaceC, airC, tapes } = means;
  const key = JSON.stringify([
    id,
    count,
    edges,
    rows,
    [...posts],
    pins,
    ownWays,
    scale,
    surfaceC,
    airC,
    tapes.map(({ code }) => code),
  ]);
  const cached = known.get(key);
  if (cached) return cached;
  const runs = stageRuns([part], means);
  if (known.size >= MOST_KEPT) known.clear();
  known.set(key, runs);
  return runs;
}
