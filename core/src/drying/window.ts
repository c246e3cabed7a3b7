import { type DryingAir, dryingRate, REFERENCE_AIR } from '../air';
import { type Finish, type Hardening, PAINT_SYSTEMS } from '../finish';
import { firstItem, RULE_OF_THUMB, type Span } from '../kit';
import { DRYING_RULES } from './rules-of-thumb';

/** Data-sheet marks of a film, minutes at the reference. */
export interface DryingMarks {
  readonly flashMin: number;
  readonly touchMin: number;
  readonly tapeSafeMin: number | null;
  readonly throughMin: number;
  /** End of the wet window; null: 20 % of touch-dry. */
  readonly wetLimitMin: number | null;
  readonly activationKj: number;
  readonly waterborne: boolean;
  /** A base that is cleared over: the touch-dry window ends with the limit of the tape. */
  readonly fastBase: boolean;
  readonly wetOnly: boolean;
}

/** The marks and pull windows on the clock, minutes after the last coat. */
export interface PullWindows {
  /** Data-sheet minutes that pass in one minute on the clock. */
  readonly rate: number;
  readonly flashMin: number;
  readonly touchMin: number;
  readonly tapeSafeMin: number | null;
  readonly throughMin: number;
  readonly wet: Span | null;
  /** Null where the film may not be pulled touch-dry, or is past it before it is reached. */
  readonly touch: Span | null;
  /** Null where the tape's limit comes before the film is through. */
  readonly dry: Span | null;
}

// Rule of thumb: thicker films need longer, by how they harden.
const BUILD_EXPONENT: Readonly<Record<Hardening, number>> = { evaporating: 1.3, reacting: 1.0, oxidising: 1.2 };

/** Drying marks of a finish on the shelf. */
export function marksOf(finish: Finish): DryingMarks {
  const { flashMin, touchMin, tapeSafeMin, throughMin, wetLimitMin, activationKj, system } = finish;
  const { waterborne, fastBase, wetOnly } = PAINT_SYSTEMS[system];
  return { flashMin, touchMin, tapeSafeMin, throughMin, wetLimitMin, activationKj, waterborne, fastBase, wetOnly };
}

/**
 * How much longer a film needs than at its reference build.
 * @param buildUm dry film as sprayed, µm, above 0
 * @returns factor on the data-sheet minutes
 */
export function buildFactor(finish: Pick<Finish, 'system' | 'referenceBuildUm'>, buildUm: number): number {
  return (buildUm / finish.referenceBuildUm) ** BUILD_EXPONENT[PAINT_SYSTEMS[finish.system].hardening];
}

/** What a factor on the marks is to be multiplied by where a thin film is no safer than its data sheet: tape-safe, through, cure. */
export const safeFactor = (factor: number): number => Math.max(1, factor) / factor;

/**
 * Minutes on the clock per data-sheet minute for one coat. A coat above the reference build takes longer, a thinner
 * one does not take less.
 */
const coatPace = (finish: Finish, air: DryingAir): number =>
  Math.max(1, buildFactor(finish, finish.coatUm)) /
  dryingRate(finish.activationKj, PAINT_SYSTEMS[finish.system].waterborne, air);

/**
 * Data-sheet minutes after which the next coat of the same finish may go on: its flash, or the start of its first
 * recoat window if that is later.
 */
const nextCoatMin = ({ flashMin, recoat }: Finish): number => Math.max(flashMin, recoat[0]!.fromMin);

/** Flash of one coat, minutes on the clock. */
export const coatFlashMin = (finish: Finish, air: DryingAir): number => finish.flashMin * coatPace(finish, air);

/**
 * When the next coat of the same finish may go on.
 * @returns minutes on the clock after the previous coat
 */
export function coatGap(finish: Finish, air: DryingAir): Span {
  const pace = coatPace(finish, air);
  const { toMin } = firstItem(finish.recoat);
  return { from: nextCoatMin(finish) * pace, to: toMin === null ? null : toMin * pace };
}

/**
 * Second recoat window after the first has closed; nothing may go on in between.
 * @returns minutes on the clock after the previous coat; null if the data sheet states none
 */
export function secondRecoatMin(finish: Finish, air: DryingAir): number | null {
  const [, second] = finish.recoat;
  return second ? second.fromMin * coatPace(finish, air) : null;
}

/**
 * Film that dries together: a coat that is dry through before the next one counts as ground, not as build.
 * @param coats number of coats, each as soon as it may go on
 * @returns dry film, µm
 */
export const dryingBuildUm = (finish: Finish, coats: number): number =>
  (nextCoatMin(finish) >= finish.throughMin ? 1 : coats) * finish.coatUm;

/**
 * Windows of the three schools in constant air.
 * @param marks data-sheet minutes
 * @param air the air of the day
 * @param factor thickness factor on the marks, 1 at the reference build; tape-safe and through never take less than at 1
 * @param dwellH hours at 23 °C within which the tape comes off clean, counted from the last coat; Infinity: the windows of the film alone
 * @returns minutes on the clock after the last coat
 */
export function pullWindows(marks: DryingMarks, air: DryingAir, factor: number, dwellH: number): PullWindows {
  const rate = dryingRate(marks.activationKj, marks.waterborne, air);
  const clock = (minutes: number) => (minutes * factor) / rate;
  const safely = (minutes: number) => clock(minutes) * safeFactor(factor);
  const dwell = maxDwellMin(dwellH, air.airC);
  const wetLimit = marks.wetLimitMin ?? RULE_OF_THUMB.wetShareOfTouch * marks.touchMin;
  const touchClose = marks.fastBase
    ? dwell
    : Math.min(dwell, Math.min(clock(RULE_OF_THUMB.touchCloseFactor * marks.touchMin), safely(marks.throughMin)));
  return {
    rate,
    flashMin: clock(marks.flashMin),
    touchMin: clock(marks.touchMin),
    tapeSafeMin: marks.tapeSafeMin === null ? null : safely(marks.tapeSafeMin),
    throughMin: safely(marks.throughMin),
    wet: { from: 0, to: Math.min(dwell, clock(wetLimit)) },
    touch: marks.wetOnly ? null : spanOrNone(clock(marks.touchMin), touchClose),
    dry: marks.wetOnly ? null : spanOrNone(safely(marks.throughMin), dwell),
  };
}

/**
 * Minutes a tape may stay.
 * @param cleanHours clean-removal hours at 23 °C
 * @param airC halves the time for every 15 °C above 23 °C
 */
export const maxDwellMin = (cleanHours: number, airC: number): number =>
  (cleanHours * 60) / dwellRate(false)({ ...REFERENCE_AIR, airC });

/** How fast the clean stay of a tape is used up: doubled for every 15 °C above 23 °C, three times as fast in the sun (rule of thumb). */
export const dwellRate =
  (inSun: boolean) =>
  ({ airC }: DryingAir): number =>
    2 ** (Math.max(0, airC - REFERENCE_AIR.airC) / DRYING_RULES.dwellHalvesPerC) *
    (inSun ? DRYING_RULES.sunUsesDwell : 1);

const spanOrNone = (from: number, to: number): Span | null => (to > from ? { from, to: endless(to) } : null);

const endless = (to: number): number | null => (to === Infinity ? null : to);

/** Windows of a film as the tape over it allows: nothing opens or stays open after `limitMin`, minutes after the last coat. */
export function limitWindows(windows: PullWindows, limitMin: number): PullWindows {
  const clipped = (span: Span | null): Span | null =>
    span && spanOrNone(span.from, Math.min(span.to ?? Infinity, limitMin));
  return { ...windows, wet: clipped(windows.wet), touch: clipped(windows.touch), dry: clipped(windows.dry) };
}
