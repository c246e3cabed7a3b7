import { type Path, pathLength } from '../curves';
import type { GapWay } from '../job';
import { isModelScale, messageWithoutValues, RULE_OF_THUMB, type TapeCode } from '../kit';
import { type EdgeClass, FOAM, foamFor, type Hold, PAPER } from '../masking';
import type { Fit, TapeKind } from '../tape';
import { chooseTape, longestClean, type TapeWish } from './choose';
import type { Doubt } from './messages';
import { RUN_RULES } from './rules-of-thumb';
import type { MaskingMeans } from './run';
import { type LayMethod, preparationTechniques, softEdge } from './technique';

/** What lies beyond a masked edge. */
export type BeyondEdge = 'butt' | 'gap' | 'goes-on' | 'body' | 'shut' | 'splash';

/** A stretch of the surroundings that paint comes up to. */
export interface MaskedSurroundings {
  readonly beyond: BeyondEdge;
  /** Width of a gap, and how it is masked; null for what is none. */
  readonly gap: { readonly widthMm: number; readonly by: GapWay } | null;
  /** True where the cover beyond foam hangs from tape beside it. */
  readonly outlined: boolean;
  /** True where it lies on the edge of its own part, which is covered while what is beyond is painted. */
  readonly onOwnPart: boolean;
  readonly path: Path;
  readonly class: EdgeClass;
  /** How long its mask stays, minutes, and how strongly what is below it holds, N/25 mm. */
  readonly staysMin: number;
  readonly bondN25: number;
}

/** One thing that masks it: foam in a gap, paper in one that is shut, else tape. */
export interface SurroundingsRun {
  /** Code of a tape, `foam`, `paper`, or null: nothing on the shelf fits. */
  readonly material: TapeCode | typeof FOAM | typeof PAPER | null;
  readonly tapeKind: TapeKind | null;
  readonly widthMm: number;
  /** Off the roll with both tails; foam and paper have none. */
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
 * Masking of a stretch of the surroundings, the first to be laid first.
 * A gap gets foam one size over it, with tape on what is beyond it where a cover hangs there; or tape inside its flange, sticky side out, or on
 * what is beyond. What is shut gets paper. Otherwise tape along the edge, on what lies beyond, of a kind made for the purpose if there is one.
 */
export function surroundingsRuns(rim: MaskedSurroundings, means: MaskingMeans): SurroundingsRun[] {
  const { beyond, gap, outlined, path } = rim;
  const lengthMm = pathLength(path);
  if (beyond === 'shut') return [{ ...untaped(PAPER, RUN_RULES.shutPaperMm, lengthMm), techniques: [HOW.shut] }];
  if (gap?.by === 'foam') {
    const techniques = [{ code: 'technique.foam-gap' as const, values: { gapMm: gap.widthMm } }];
    const foam = { ...untaped(FOAM, foamFor(gap.widthMm)!, lengthMm), techniques };
    return outlined ? [foam, tapeRun(rim, means, messageWithoutValues('technique.outline'))] : [foam];
  }
  return [tapeRun(rim, means, methodOf(rim))];
}

/** What is no tape: it holds by itself. */
const untaped = (material: typeof FOAM | typeof PAPER, widthMm: number, lengthMm: number) => ({
  material,
  tapeKind: null,
  widthMm,
  lengthMm,
  cleanHours: FOAM_HOURS,
  verdict: 'lays' as const,
  hold: 'safe' as const,
  doubts: [],
});

function tapeRun(rim: MaskedSurroundings, means: MaskingMeans, how: LayMethod): SurroundingsRun {
  const choice = chooseTape(means.tapes, rimWish(rim, means));
  const tail = isModelScale(means.scale) ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full;
  const lengthMm = pathLength(rim.path) + 2 * tail;
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

/** How a tape along the surroundings is laid. */
function methodOf({ beyond, gap, onOwnPart, class: one }: MaskedSurroundings): LayMethod {
  if (one === 'soft') return softEdge;
  const how = gap?.by === 'tape' ? HOW.body : HOW[beyond];
  return onOwnPart && how.code === 'technique.beside-edge' ? messageWithoutValues('technique.own-edge') : how;
}

const HOW: Readonly<Record<BeyondEdge, LayMethod>> = {
  butt: messageWithoutValues('technique.tuck'),
  gap: messageWithoutValues('technique.back-mask'),
  'goes-on': messageWithoutValues('technique.beside-edge'),
  body: messageWithoutValues('technique.beside-edge'),
  shut: messageWithoutValues('technique.shut'),
  splash: messageWithoutValues('technique.hang-paper'),
};

/** Maximum clean time of the tapes for the surroundings; hours at 23 °C. */
export function longestCleanOnSurroundings(
  rim: Omit<MaskedSurroundings, 'staysMin' | 'bondN25'>,
  means: MaskingMeans,
): number {
  if (rim.beyond === 'shut' || (rim.gap?.by === 'foam' && !rim.outlined)) return FOAM_HOURS;
  const hours = longestClean(means.tapes, rimWish({ ...rim, staysMin: 0, bondN25: Infinity }, means));
  return rim.gap?.by === 'foam' ? Math.min(hours, FOAM_HOURS) : hours;
}

/**
 * There is room beyond an edge; only where the surface continues does the tape itself make the line. Elsewhere it carries the cover: any width
 * goes, by the length of the edge.
 */
function rimWish(
  { beyond, gap, path, class: one, staysMin, bondN25 }: MaskedSurroundings,
  { surfaceC, airC, scale }: MaskingMeans,
): TapeWish {
  const model = isModelScale(scale);
  const carries = beyond !== 'goes-on';
  return {
    samples: path.map(({ at, curvature }) => ({ at, curvature })),
    side: 'right',
    crisp: !carries && one === 'crisp',
    exactWidthMm: null,
    roomMm: Infinity,
    rim: carries,
    ...(carries
      ? {
          wide: true,
          narrowest: true,
          leastMm: leastRimMm(pathLength(path), gap?.by === 'back-mask', model),
        }
      : {}),
    surfaceC,
    airC,
    staysMin,
    bondN25,
    model,
  };
}

/** Width tape along the surroundings has at least: inside a flange there is no room for a broad one. */
const leastRimMm = (edgeMm: number, inFlange: boolean, model: boolean): number => {
  const { outlineMm } = RUN_RULES;
  if (model) return outlineMm.model;
  return !inFlange && edgeMm >= outlineMm.longEdge ? outlineMm.long : outlineMm.short;
};
