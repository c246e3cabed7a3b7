import { TOLERANCE } from '../kit';
import { type Bend, type BendVerdict, type BodySide, fitTapeToBend } from './bend';
import type { Tape } from './tape';

/** Bend of a line at one place. */
export interface BendSample {
  /** Distance along the line, mm. */
  readonly at: number;
  /** Curvature, 1/mm, positive where the line bends to the left of its direction. */
  readonly curvature: number;
}

/** Side of a line as seen along its direction. */
export type LineSide = 'left' | 'right';

/** A stretch of a line with one verdict. */
interface FitStretch {
  readonly from: number;
  readonly to: number;
  readonly verdict: BendVerdict;
}

/** How one tape follows one line with its body on one side. */
export interface Fit {
  readonly tape: string;
  /** Worst verdict anywhere on the line. */
  readonly verdict: BendVerdict;
  /** Largest mean stretch needed, as a fraction. */
  readonly stretch: number;
  /** Where the worst place is, mm along the line, and its radius; null on a straight line. */
  readonly worstAt: number | null;
  readonly worstRadiusMm: number | null;
  /** Where which verdict holds, in order along the line. */
  readonly stretches: readonly FitStretch[];
}

const BADNESS: Readonly<Record<BendVerdict, number>> = { lays: 0, stretch: 1, 'too-tight': 2, impossible: 3 };

/** Curvature below this is a straight: a radius of 10 km. */
const STRAIGHT_CURVATURE = TOLERANCE.straight;

/**
 * Follows a line with a tape.
 * @param tape tape on the shelf
 * @param samples bends in order along the line, at least two, closely enough spaced that none is missed
 * @param side side of the line the body lies on
 * @returns worst verdict, stretch to lay it in, and where each verdict holds
 */
export function fitAlong(tape: Tape, samples: readonly BendSample[], side: LineSide): Fit {
  const bends = samples.map((sample) => bendAt(tape, sample.curvature, side));
  const worst = worstIndex(bends);
  const straight = Math.abs(samples[worst]!.curvature) < STRAIGHT_CURVATURE;
  return {
    tape: tape.code,
    verdict: bends[worst]!.verdict,
    stretch: bends.reduce((most, { meanStretch }) => Math.max(most, meanStretch ?? 0), 0),
    worstAt: straight ? null : samples[worst]!.at,
    worstRadiusMm: straight ? null : 1 / Math.abs(samples[worst]!.curvature),
    stretches: stretchesOf(samples, bends),
  };
}

/** True where the tape follows the whole line, flat or stretched within its safe stretch. */
export const follows = (fit: Fit): boolean => BADNESS[fit.verdict] <= BADNESS.stretch;

/** Side of the bend a tape body lies on, when it lies on `side` of a line with this curvature. */
const bodySideOf = (curvature: number, side: LineSide): BodySide =>
  curvature > 0 === (side === 'left') ? 'inside' : 'outside';

function bendAt(tape: Tape, curvature: number, side: LineSide): Bend {
  const radius = Math.abs(curvature) < STRAIGHT_CURVATURE ? Infinity : 1 / Math.abs(curvature);
  return fitTapeToBend(radius, tape, bodySideOf(curvature, side));
}

function worstIndex(bends: readonly Bend[]): number {
  let worst = 0;
  bends.forEach((bend, index) => {
    const harder = BADNESS[bend.verdict] - BADNESS[bends[worst]!.verdict];
    if (harder > 0 || (harder === 0 && bend.innerRadiusMm < bends[worst]!.innerRadiusMm)) worst = index;
  });
  return worst;
}

function stretchesOf(samples: readonly BendSample[], bends: readonly Bend[]): FitStretch[] {
  const stretches: { from: number; to: number; verdict: BendVerdict }[] = [];
  samples.forEach((sample, index) => {
    const last = stretches.at(-1);
    const middle = index === 0 ? sample.at : (samples[index - 1]!.at + sample.at) / 2;
    if (last?.verdict === bends[index]!.verdict) last.to = sample.at;
    else {
      if (last) last.to = middle;
      stretches.push({ from: middle, to: sample.at, verdict: bends[index]!.verdict });
    }
  });
  return stretches;
}
