import { boundingBox, cornerDistances, isClosed, type Path, ringArea } from '../curves';
import { RULE_OF_THUMB } from '../kit';
import { holdOnFilm, tapeGrip } from '../masking';
import { follows, type Tape } from '../tape';
import { dwellShare, type TapeChoice, type TapeWish } from './choose';

/** A closed shape cut from film, instead of a tape led round it. */
export interface FilmCutOut {
  readonly film: Tape;
  /** True where the piece itself covers; false where what is left round it does. */
  readonly inside: boolean;
  /** Film off the roll, mm. */
  readonly lengthMm: number;
}

/**
 * From this number of corners on a shape is cut out instead of taped round; also if only a tape as narrow as this
 * makes its bends, mm.
 */
const MANY_CORNERS = 3;
const CRUMB_MM = 2;

/**
 * Cuts a closed line from film where tape would come in crumbs: with many corners, or bends that only the narrowest tape makes, or none.
 * @param choice the tape it would be; null where there is none
 * @returns null for a line that is taped, and where the shelf has no film that is wide enough, sticks here and lifts nothing off
 */
export function cutOutFor(
  shelf: readonly Tape[],
  piece: Path,
  wish: TapeWish,
  choice: TapeChoice | null,
): FilmCutOut | null {
  if (!isClosed(piece) || wish.exactWidthMm !== null) return null;
  const tapeable = choice !== null && follows(choice.fit) && choice.tape.widthMm > CRUMB_MM;
  if (tapeable && cornerDistances(piece).length < MANY_CORNERS) return null;
  const inside = ringArea(piece) > 0 === (wish.side === 'left');
  const margin = RULE_OF_THUMB.cutMargin;
  // What is left round a shape lies on what is beside it.
  if (!inside && wish.roomMm < margin) return null;
  const { minX, minY, maxX, maxY } = boundingBox(piece);
  const [short, long] = [maxX - minX, maxY - minY].sort((a, b) => a - b) as [number, number];
  const film = shelf
    .filter(
      (tape) =>
        tape.kind === 'T' &&
        tape.widthMm >= short + 2 * margin &&
        tape.minApplyC <= wish.surfaceC &&
        dwellShare(tape, wish) <= 1 &&
        holdOnFilm(wish.bondN25, tapeGrip(tape, dwellShare(tape, wish))) === 'safe',
    )
    .sort((a, b) => a.widthMm - b.widthMm)[0];
  return film ? { film, inside, lengthMm: long + 2 * margin } : null;
}
