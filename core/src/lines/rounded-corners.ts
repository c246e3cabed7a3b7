import type { Path } from '../curves';
import { messageWithoutValues } from '../kit';
import { filletIn, type LineCache, partFrameIn } from './line-cache';
import type { LinePaths } from './line-paths';
import { isFailure } from './messages';
import type { PartShape } from './part-shape';
import { type HeldEnds, NO_HELD_ENDS } from './trim-to-part';

/** What rounded corners have left of a line, and which of its ends lie at one and do not run on. */
export interface LineRemainder {
  readonly made: LinePaths;
  readonly held: HeldEnds;
}
/**
 * Lines whose corners are rounded keep only what is left of them. Roundings are made one after another, each on what those before it
 * have left: a line with one at both ends is cut at both.
 */
export function roundCorners(part: PartShape, book: LineCache): Map<string, LineRemainder> {
  const left = new Map<string, LineRemainder>();
  const restOf = (id: string): Path | null => {
    const linePaths = left.get(id)?.made;
    return linePaths && !isFailure(linePaths) ? linePaths[0]! : null;
  };
  for (const line of partFrameIn(part, book).shape.lines) {
    if (line.kind !== 'fillet') continue;
    // What cannot be rounded at all reports that itself.
    if (isFailure(filletIn(part, line, book))) continue;
    const fillet = filletIn(part, line, book, restOf);
    if (isFailure(fillet)) {
      left.set(line.id, { made: messageWithoutValues('line.corner-crowded'), held: NO_HELD_ENDS });
      continue;
    }
    left.set(line.id, { made: [fillet.path], held: NO_HELD_ENDS });
    for (const [id, path, keep] of [
      [line.a, fillet.a, line.keepA],
      [line.b, fillet.b, line.keepB],
    ] as const)
      left.set(id, {
        made: [path],
        held: { ...(left.get(id)?.held ?? NO_HELD_ENDS), [keep === 'end' ? 'start' : 'end']: true },
      });
  }
  return left;
}
