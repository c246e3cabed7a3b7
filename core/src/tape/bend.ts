/** Which side of the trim edge the body of the tape lies: towards the centre of the bend, or away from it. */
export type BodySide = 'inside' | 'outside';

export type BendVerdict = 'lays' | 'stretch' | 'too-tight' | 'impossible';

/** What a tape is to a bend: its width and what it stands. */
export interface BendingTape {
  readonly widthMm: number;
  /** Elongation held without creeping back or breaking, as a fraction. */
  readonly stretch: number;
  /** Compression the inner edge takes before it pleats, as a fraction. */
  readonly fold: number;
}

export interface Bend {
  readonly verdict: BendVerdict;
  /** Radius of the tape's inner edge; zero or less where the verdict is `impossible`. */
  readonly innerRadiusMm: number;
  /** Strain of the outer edge when the tape is stretched just enough not to pleat; null where impossible. */
  readonly outerStrain: number | null;
  /** Mean stretch to lay it in, never below 0; null where impossible. */
  readonly meanStretch: number | null;
  /** Smallest radius of the trim edge this tape follows with its body on this side. */
  readonly tightestEdgeRadiusMm: number;
}

/**
 * Lays a tape round a bend.
 * @param edgeRadiusMm radius of the trim edge, above 0; Infinity for a straight
 * @param tape width above 0, stretch and fold as fractions
 * @param body where the tape's body lies
 * @returns verdict and strains; `impossible` where the inner edge would have no radius left
 * Source: strain of a strip bent in its plane with the neutral line moved by the stretch.
 */
export function fitTapeToBend(edgeRadiusMm: number, tape: BendingTape, body: BodySide): Bend {
  const { widthMm, stretch } = tape;
  const innerRadiusMm = body === 'inside' ? edgeRadiusMm - widthMm : edgeRadiusMm;
  const tightestEdgeRadiusMm = tightestEdgeRadius(tape, body);
  if (innerRadiusMm <= 0) {
    return { verdict: 'impossible', innerRadiusMm, outerStrain: null, meanStretch: null, tightestEdgeRadiusMm };
  }
  const slackShare = 1 - tape.fold;
  const outerStrain = slackShare * (1 + widthMm / innerRadiusMm) - 1;
  const meanStretch = Math.max(0, slackShare * (1 + widthMm / (2 * innerRadiusMm)) - 1);
  const verdict = outerStrain <= 0 ? 'lays' : outerStrain <= stretch ? 'stretch' : 'too-tight';
  return {
    verdict,
    innerRadiusMm,
    outerStrain,
    meanStretch: verdict === 'lays' ? 0 : meanStretch,
    tightestEdgeRadiusMm,
  };
}

/**
 * The tightest bend a tape follows.
 * @returns radius of the trim edge in mm; Infinity for a tape that neither stretches nor folds
 */
export function tightestEdgeRadius(tape: BendingTape, body: BodySide): number {
  const give = (1 + tape.stretch) / (1 - tape.fold) - 1;
  const tightestInner = give > 0 ? tape.widthMm / give : Infinity;
  return body === 'inside' ? tightestInner + tape.widthMm : tightestInner;
}
