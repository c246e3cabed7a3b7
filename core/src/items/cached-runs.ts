import type { Shelf } from '../job';
import { type MaskedPart, type MaskingMeans, type Run, stageRuns } from '../runs';

/** Runs of parts, by the lines they were worked out from and the shelf, then by what was asked. */
const kept = new WeakMap<MaskedPart['lines'], WeakMap<Shelf, Map<string, readonly Run[]>>>();

/** More than this of one part are not asked again. */
const MOST_KEPT = 60;

/**
 * The runs of one part in a stage. They follow from its lines, its mask, what there is to mask with and what a person has chosen: where
 * none of that has changed since they were last asked for, as on parts beside the one that is worked on, they are not worked out again.
 */
export function cachedRuns(part: MaskedPart, means: MaskingMeans, shelf: Shelf): readonly Run[] {
  const byShelf = kept.get(part.lines) ?? new WeakMap<Shelf, Map<string, readonly Run[]>>();
  kept.set(part.lines, byShelf);
  const known = byShelf.get(shelf) ?? new Map<string, readonly Run[]>();
  byShelf.set(shelf, known);
  const { id, count, edges, gun, rows, posts } = part;
  const { pins, ownWays, scale, surfaceC, airC, tapes } = means;
  const key = JSON.stringify([
    id,
    count,
    edges,
    gun,
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
