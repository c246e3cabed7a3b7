import { pointAt, type Path } from '../curves';
import { areaAt } from '../areas';
import type { LineSide } from '../tape';
import type { MaskedPart } from './run';

/** A stretch of a run on which its tape is wider than what it covers. */
export interface Overhang {
  /** Along its line, mm. */
  readonly fromMm: number;
  readonly toMm: number;
}

/** So many places along a run are looked at, and so far a tape may lie over, mm. */
const PLACES = 48;
const LEEWAY_MM = 0.2;
/** Where what lies behind a run is on average so many tapes wide, no tip of it is looked for. */
const WIDE_TAPES = 4;

/**
 * Where the tape of a run reaches over what it covers onto something that is painted: at the tips of wedges.
 * @param roomMm about how wide what it covers is
 * @returns stretches in order; empty on a skin whose drawing is not true
 */
export function overhangs(
  { skin, arrangement, open }: Pick<MaskedPart, 'skin' | 'arrangement' | 'open'>,
  piece: Path,
  side: LineSide,
  widthMm: number,
  roomMm: number,
): Overhang[] {
  if (skin.metric !== null || widthMm <= 0 || roomMm > WIDE_TAPES * widthMm) return [];
  const [from, to] = [piece[0]!.at, piece.at(-1)!.at];
  const step = (to - from) / PLACES;
  const out = (side === 'left' ? 1 : -1) * (widthMm - LEEWAY_MM);
  const found: { fromMm: number; toMm: number }[] = [];
  for (let index = 0; index < PLACES; index++) {
    const at = from + (index + 0.5) * step;
    const { x, y, tx, ty } = pointAt(piece, at);
    const area = areaAt(arrangement.areas, { x: x - ty * out, y: y + tx * out });
    if (area < 0 || !open[area]) continue;
    const last = found.at(-1);
    if (last && at - last.toMm <= step) last.toMm = at + step / 2;
    else found.push({ fromMm: at - step / 2, toMm: at + step / 2 });
  }
  return found;
}
