import { follows, type LineSide, type Tape } from '../tape';
import type { LineId, PartId, TapeCode } from '../units';
import { chooseTape, type TapeChoice, type TapeWish } from './choose';

/** A tape a person has chosen: for one side of a line, a line, or, with neither, wherever a line is made. */
export interface TapePinned {
  readonly part?: PartId;
  readonly line?: LineId;
  readonly side?: LineSide;
  readonly tape: TapeCode;
}

/** Where a run lies: its part, the line of the list it belongs to, and the side. */
export interface TapePlaced {
  readonly part: PartId;
  readonly line: LineId;
  readonly side: LineSide;
}

/**
 * The tape of a run: the one a person has chosen for it, for its line, or for all lines, the nearest to it first. One chosen for a run or a
 * line is taken even where it is doubtful, as long as it has room; one chosen for all where it does the line.
 */
export function chosenTape(place: TapePlaced, wish: TapeWish, tapes: readonly Tape[], pins: readonly TapePinned[]): TapeChoice | null {
  const own = pins.filter(
    (pin) =>
      (pin.part === undefined || pin.part === place.part) &&
      (pin.line === undefined || pin.line === place.line) &&
      (pin.side === undefined || pin.side === place.side) &&
      (pin.line !== undefined || wish.crisp),
  );
  const nearness = ({ line: of, side }: TapePinned) => (of === undefined ? 0 : side === undefined ? 1 : 2);
  for (const pin of [...own].sort((a, b) => nearness(b) - nearness(a))) {
    const choice = chooseTape(
      tapes.filter(({ code }) => code === pin.tape),
      wish,
    );
    if (choice && (pin.line !== undefined || (follows(choice.fit) && choice.hold !== 'no'))) return { ...choice, pinned: true };
    if (pin.line !== undefined) {
      const instead = chooseTape(tapes, wish);
      return instead && { ...instead, doubts: [...instead.doubts, { code: 'doubt.not-chosen', values: { tape: pin.tape } }] };
    }
  }
  return chooseTape(tapes, wish);
}
