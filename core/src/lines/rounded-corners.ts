import type { Path } from '../curves';
import { boardIn, filletIn, type Book } from './book';
import { NONE_HELD, type Held } from './laid-down';
import type { Made } from './made';
import type { PartShape } from './part-shape';
import { isTrouble } from './says';
import { plainly } from '../units';

/** What rounded corners have left of a line, and which of its ends lie at one and do not run on. */
export interface Rest {
  readonly made: Made;
  readonly held: Held;
}
/**
 * Lines whose corners are rounded keep only what is left of them. Roundings are made one after another, each on what those before it
 * have left: a line with one at both ends is cut at both.
 */
export function cornersRounded(part: PartShape, book: Book): Map<string, Rest> {
  const left = new Map<string, Rest>();
  const restOf = (id: string): Path | null => {
    const made = left.get(id)?.made;
    return made && !isTrouble(made) ? made[0]! : null;
  };
  for (const line of boardIn(part, book).shape.lines) {
    if (line.kind !== 'fillet') continue;
    // What cannot be rounded at all says so by itself.
    if (isTrouble(filletIn(part, line, book))) continue;
    const fillet = filletIn(part, line, book, restOf);
    if (isTrouble(fillet)) {
      left.set(line.id, { made: plainly('line.corner-crowded'), held: NONE_HELD });
      continue;
    }
    left.set(line.id, { made: [fillet.path], held: NONE_HELD });
    for (const [id, path, keep] of [
      [line.a, fillet.a, line.keepA],
      [line.b, fillet.b, line.keepB],
    ] as const)
      left.set(id, { made: [path], held: { ...(left.get(id)?.held ?? NONE_HELD), [keep === 'end' ? 'start' : 'end']: true } });
  }
  return left;
}
