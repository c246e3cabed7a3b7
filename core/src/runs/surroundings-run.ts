import { type Path, pathLength } from '../curves';
import { isModelScale, messageWithoutValues, RULE_OF_THUMB, type TapeCode } from '../kit';
import { type EdgeClass, foamFor, type Hold } from '../masking';
import type { Fit, TapeKind } from '../tape';
import { chooseTape, longestClean, type TapeWish } from './choose';
import type { Doubt } from './messages';
import type { MaskingMeans } from './run';
import { type LayMethod, preparationTechniques, softEdge } from './technique';

/** What lies beyond a masked edge. */
export type BeyondEdge = 'butt' | 'gap' | 'goes-on' | 'body' | 'splash';

/** A stretch of the surroundings that paint comes up to. */
export interface MaskedSurroundings {
  readonly beyond: BeyondEdge;
  /** Width of a gap; null for what is none. */
  readonly gapMm: number | null;
  readonly path: Path;
  readonly class: EdgeClass;
  /** How long its mask stays, minutes, and how strongly what is below it holds, N/25 mm. */
  readonly staysMin: number;
  readonly bondN25: number;
}

/** What masks it: foam in a gap, else tape. */
export interface SurroundingsRun {
  /** Code of a tape, `foam`, or null: nothing on the shelf fits. */
  readonly material: TapeCode | 'foam' | null;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** Off the roll with both tails; foam has none. */
  readonly lengthMm: number;
  readonly cleanHours: number;
  readonly verdict: Fit['verdict'] | 'none';
  readonly hold: Hold | null;
  readonly techniques: readonly LayMethod[];
  readonly doubts: readonly Doubt[];
}

/** Clean time of foam, h at 23 °C. Source: the shipped shelf. */
const FOAM_HOURS = 72;

/**
 * Masking of a stretch of the surroundings.
 * A gap that foam fills gets foam one size over, a wider one tape inside its flange, sticky side out; otherwise tape
 * along the edge, on what lies beyond, of a kind made for the purpose if there is one.
 */
export function surroundingsRun(rim: MaskedSurroundings, means: MaskingMeans): SurroundingsRun {
  const { beyond, gapMm, path } = rim;
  const foamMm = gapMm === null ? null : foamFor(gapMm);
  const edgeMm = pathLength(path);
  if (foamMm !== null) {
    const techniques = [{ code: 'technique.foam-gap' as const, values: { gapMm: gapMm! } }];
    return {
      material: 'foam',
      tapeKind: null,
      widthMm: foamMm,
      lengthMm: edgeMm,
      cleanHours: FOAM_HOURS,
      verdict: 'lays',
      hold: 'safe',
      techniques,
      doubts: [],
    };
  }
  const choice = chooseTape(means.tapes, rimWish(rim, means));
  const tail = isModelScale(means.scale) ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full;
  const lengthMm = edgeMm + 2 * tail;
  if (!choice)
    return {
      material: null,
      tapeKind: null,
      widthMm: 0,
      lengthMm,
      cleanHours: Infinity,
      verdict: 'none',
      hold: null,
      techniques: [messageWithoutValues('technique.by-hand')],
      doubts: [messageWithoutValues('doubt.none-for-rim')],
    };
  const { tape, fit, hold, doubts } = choice;
  const how: LayMethod = rim.class === 'soft' ? softEdge : HOW[beyond];
  return {
    material: tape.code,
    tapeKind: tape.kind,
    widthMm: tape.widthMm,
    lengthMm,
    cleanHours: tape.cleanHours,
    verdict: fit.verdict,
    hold,
    techniques: [...preparationTechniques(choice), how],
    doubts,
  };
}

const HOW: Readonly<Record<BeyondEdge, LayMethod>> = {
  butt: messageWithoutValues('technique.tuck'),
  gap: messageWithoutValues('technique.back-mask'),
  'goes-on': messageWithoutValues('technique.beside-edge'),
  body: messageWithoutValues('technique.beside-edge'),
  splash: messageWithoutValues('technique.hang-paper'),
};

/** Maximum clean time of the tapes for the surroundings; hours at 23 °C. */
export function longestCleanOnSurroundings(
  rim: Pick<MaskedSurroundings, 'beyond' | 'gapMm' | 'path' | 'class'>,
  means: MaskingMeans,
): number {
  if (rim.gapMm !== null && foamFor(rim.gapMm) !== null) return FOAM_HOURS;
  return longestClean(means.tapes, rimWish({ ...rim, staysMin: 0, bondN25: Infinity }, means));
}

/** There is room beyond an edge; only where the surface continues does the tape itself make the line. */
const rimWish = (
  { beyond, path, class: one, staysMin, bondN25 }: MaskedSurroundings,
  { surfaceC, airC, scale }: MaskingMeans,
): TapeWish => ({
  samples: path.map(({ at, curvature }) => ({ at, curvature })),
  side: 'right',
  crisp: beyond === 'goes-on' && one === 'crisp',
  exactWidthMm: null,
  roomMm: Infinity,
  rim: beyond !== 'goes-on',
  surfaceC,
  airC,
  staysMin,
  bondN25,
  model: isModelScale(scale),
});
