import type { LineId, PartId, TapeCode } from '../kit';
import { follows, type LineSide, type Tape } from '../tape';
import { chooseTape, type TapeChoice, type TapeWish } from './choose';

/** A tape a person has chosen: for one side of a line, a line, or, with neither, wherever a line is made. */
export interface PinnedTape extends PlaceChoice {
  readonly tape: TapeCode;
}

/** Where a run lies: its part, the line of the list it belongs to, and the side. */
export interface RunPlace {
  readonly part: PartId;
  readonly line: LineId;
  readonly side: LineSide;
}

/** A choice of a person for one side of a line, a line, or, with neither, wherever it applies. */
export type PlaceChoice = Partial<RunPlace>;

/** The choices that apply to a place, the nearest to it first. */
export function mostSpecificFirst<C extends PlaceChoice>(place: RunPlace, choices: readonly C[]): C[] {
  const applies = ({ part, line, side }: C) =>
    (part === undefined || part === place.part) &&
    (line === undefined || line === place.line) &&
    (side === undefined || side === place.side);
  const nearness = ({ line, side }: C) => (line === undefined ? 0 : side === undefined ? 1 : 2);
  return choices.filter(applies).sort((a, b) => nearness(b) - nearness(a));
}

/**
 * The tape of a run: the one chosen by a person for it, for its line, or for all lines, the most specific first. One
 * chosen for a run or a line is used even if doubtful, as long as it has room; one chosen for all only where it
 * follows the line.
 */
export function chosenTape(
  place: RunPlace,
  wish: TapeWish,
  tapes: readonly Tape[],
  pins: readonly PinnedTape[],
): TapeChoice | null {
  for (const pin of mostSpecificFirst(place, pins)) {
    if (pin.line === undefined && !wish.crisp) continue;
    const choice = chooseTape(
      tapes.filter(({ code }) => code === pin.tape),
      wish,
    );
    if (choice && (pin.line !== undefined || (follows(choice.fit) && choice.hold !== 'no')))
      return { ...choice, pinned: true };
    if (pin.line !== undefined) {
      const instead = chooseTape(tapes, wish);
      return (
        instead && { ...instead, doubts: [...instead.doubts, { code: 'doubt.not-chosen', values: { tape: pin.tape } }] }
      );
    }
  }
  return chooseTape(tapes, wish);
}
