import type { Path, Point } from '../curves';
import type { Measured } from '../surface';
import { LINE_RULES } from './rules-of-thumb';

/** One height measured on the second side, against the line as planned. */
interface MatchRow extends Measured {
  /** Height planned there; null where the line does not reach. */
  readonly planned: number | null;
  /** Measured less planned, mm; positive where the second side is too high. */
  readonly outMm: number | null;
  /** True where it differs from its neighbour so quickly that the eye catches it. */
  readonly seen: boolean;
}

export interface Match {
  readonly rows: readonly MatchRow[];
  readonly worstMm: number;
  readonly seen: boolean;
}

/**
 * Compares heights measured on the second side with the line.
 * What is visible is not the difference itself, since both sides are never seen at once, but how quickly it changes
 * along the line.
 * @param measure measures a point of the sheet from the datum of the heights
 * Source: rule of thumb, see docs/computation.md.
 */
export function compareSides(
  pieces: readonly Path[],
  measure: (place: Point) => Measured,
  measured: readonly Measured[],
): Match {
  const ordered = [...measured].sort((a, b) => a.along - b.along);
  const planned = ordered.map(({ along, above }) => nearestHeight(pieces, measure, along, above));
  const out = ordered.map(({ above }, index) => (planned[index] === null ? null : above - (planned[index] as number)));
  const kinks = ordered.map((_, index) => kinkAt(ordered, out, index));
  const rows = ordered.map((other, index): MatchRow => ({
    ...other,
    planned: planned[index]!,
    outMm: out[index]!,
    seen: kinks[index]!,
  }));
  const worst = out.reduce<number>(
    (most, difference) => (difference !== null && Math.abs(difference) > Math.abs(most) ? difference : most),
    0,
  );
  return { rows, worstMm: worst, seen: rows.some(({ seen }) => seen) };
}

/** Height of the line at a distance along the datum; of several the one nearest to what was measured. */
function nearestHeight(
  pieces: readonly Path[],
  measure: (place: Point) => Measured,
  along: number,
  above: number,
): number | null {
  let best: number | null = null;
  for (const piece of pieces) {
    const places = piece.map(measure);
    for (let index = 1; index < places.length; index++) {
      const [a, b] = [places[index - 1]!, places[index]!];
      if ((a.along - along) * (b.along - along) > 0 || a.along === b.along) continue;
      const height = a.above + ((along - a.along) / (b.along - a.along)) * (b.above - a.above);
      if (best === null || Math.abs(height - above) < Math.abs(best - above)) best = height;
    }
  }
  return best;
}

/** True where the difference changes towards a neighbour by more than the eye lets pass over that length. */
function kinkAt(measured: readonly Measured[], out: readonly (number | null)[], index: number): boolean {
  return [index - 1, index + 1].some((other) => {
    const [own, next] = [out[index]!, out[other]];
    if (own === null || next === null || next === undefined) return false;
    const apart = Math.abs(measured[other]!.along - measured[index]!.along);
    return (
      Math.abs(own - next) > LINE_RULES.seenLeastMm + apart * LINE_RULES.seenPerMm && Math.abs(own) >= Math.abs(next)
    );
  });
}
