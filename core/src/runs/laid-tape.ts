import { pathLength } from '../curves';
import { firstItem, lastItem, messageWithoutValues, RULE_OF_THUMB } from '../kit';
import type { Tape } from '../tape';
import type { TapeChoice, TapeWish } from './choose';
import type { FilmCutOut } from './cut-out';
import type { Doubt } from './messages';
import type { OwnWay } from './own-way';
import type { Run } from './run';
import { type LayInput, techniquesFor } from './technique';

/** Everything of a run but its place. */
export type LaidTape = Pick<
  Run,
  | 'tape'
  | 'tapeKind'
  | 'tapeWidthMm'
  | 'verdict'
  | 'stretch'
  | 'worstAt'
  | 'worstRadiusMm'
  | 'cleanHours'
  | 'tapeMm'
  | 'hold'
  | 'pinned'
  | 'techniques'
  | 'doubts'
>;

/** What is cut from film along the line. */
export const cutFromFilm = ({ film, inside, lengthMm }: FilmCutOut, others: string | null): LaidTape => ({
  tape: film.code,
  tapeKind: film.kind,
  tapeWidthMm: film.widthMm,
  verdict: 'lays',
  stretch: 0,
  worstAt: null,
  worstRadiusMm: null,
  cleanHours: film.cleanHours,
  tapeMm: lengthMm,
  hold: 'safe',
  pinned: false,
  techniques: [{ code: 'technique.cut-out', values: { inside, with: inside ? null : others } }],
  doubts: [],
});

/** What both ends of a tape are longer than its edge, mm. */
const tailsOf = ({ model }: TapeWish): number => 2 * (model ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full);

/** A tape along a line, and how it is laid. */
export function laidTape(
  choice: TapeChoice,
  wish: TapeWish,
  on: Omit<LayInput, 'fit' | 'hold' | 'deTack' | 'widthMm' | 'rollMm'>,
  shelf: readonly Tape[],
): LaidTape {
  const { tape, fit, hold, doubts, deTack } = choice;
  const rollMm = shelf.find(({ code }) => code === tape.code)?.widthMm ?? tape.widthMm;
  return {
    tape: tape.code,
    tapeKind: tape.kind,
    tapeWidthMm: tape.widthMm,
    verdict: fit.verdict,
    stretch: fit.stretch,
    worstAt: fit.worstAt,
    worstRadiusMm: fit.worstRadiusMm,
    cleanHours: tape.cleanHours,
    tapeMm: pathLength(on.piece) / (1 + fit.stretch) + tailsOf(wish),
    hold,
    pinned: choice.pinned ?? false,
    techniques: techniquesFor({ ...on, fit, hold, deTack, widthMm: tape.widthMm, rollMm }),
    doubts,
  };
}

/** No tape of the shelf along the line: nothing is known of how it lies. */
const untaped = (wish: TapeWish): Omit<LaidTape, 'techniques' | 'doubts' | 'pinned'> => ({
  tape: null,
  tapeKind: null,
  tapeWidthMm: 0,
  verdict: 'none',
  stretch: 0,
  worstAt: null,
  worstRadiusMm: null,
  cleanHours: Infinity,
  tapeMm: lastItem(wish.samples).at - firstItem(wish.samples).at + tailsOf(wish),
  hold: null,
});

/** Where the shelf has no tape for it. */
export function noTapeLaid(wish: TapeWish, strip: number | null): LaidTape {
  const none: Doubt =
    strip === null
      ? wish.roomMm < Infinity
        ? { code: 'doubt.none-narrow', values: { roomMm: wish.roomMm } }
        : messageWithoutValues('doubt.none-for-edge')
      : messageWithoutValues('doubt.none-for-strip');
  return { ...untaped(wish), pinned: false, techniques: [messageWithoutValues('technique.by-hand')], doubts: [none] };
}

/** Where a person has a way of their own. */
export const laidOwnWay = ({ how }: OwnWay, wish: TapeWish): LaidTape => ({
  ...untaped(wish),
  pinned: true,
  techniques: [{ code: 'technique.own', values: { how } }],
  doubts: [],
});
