import { cornerDistances, type Path, pathCrossings, pathLength, type Point, straightPath } from '../curves';
import { messageWithoutValues } from '../kit';
import type { FeatureCrossing } from '../lines';
import type { DeTack, Hold } from '../masking';
import type { Metric } from '../surface';
import type { Fit, LineSide } from '../tape';
import type { Technique, TechniqueMessages } from './messages';
import type { Overhang } from './overhang';
import { RUN_RULES } from './rules-of-thumb';
import { distanceInBand, placeBand } from './tape-band';

/** How a run is laid, with the stretch of its line it holds for; without one it holds for all of it. */
export type LayMethod = Technique & { readonly from?: number; readonly to?: number };

/** What decides how a run is laid. */
export interface LayInput {
  readonly fit: Fit;
  readonly hold: Hold;
  readonly deTack: DeTack;
  /** The piece of its line it lies along. */
  readonly piece: Path;
  /** What the line meets, all along it. */
  readonly crosses: readonly FeatureCrossing[];
  /** Of the skin of the part; null where its drawing is true. */
  readonly metric: Metric | null;
  /** Fold lines of the part. */
  readonly folds: readonly (readonly [Point, Point])[];
  readonly oneTapeWide: boolean;
  /** True where the finish fades out at it. */
  readonly soft: boolean;
  /** Where its tape is wider than what it covers. */
  readonly overhangs: readonly Overhang[];
  /** True where it goes round and meets itself. */
  readonly closed: boolean;
  /** Side of its line it lies on, and how wide it is, laid and on its roll. */
  readonly side: LineSide;
  readonly widthMm: number;
  readonly rollMm: number;
  /** Rows of raised heads on the part, and which of its openings are posts. */
  readonly rows: readonly (readonly [Point, Point])[];
  readonly posts: ReadonlySet<string>;
  /** Width it is slit to; null: not slit. */
  readonly slitMm: number | null;
  /** Width of what is painted beside it where that is a narrow gap; null where it is not. */
  readonly gapMm: number | null;
}

/**
 * Rule table: how to lay a run, in the order of the hands. First what is done with the tape before, then what it meets on its way, each
 * where it is met, last how it is laid in between.
 * @returns at least one entry
 */
export function techniquesFor(run: LayInput): readonly LayMethod[] {
  const before = [
    ...preparationTechniques(run),
    ...(run.slitMm === null
      ? []
      : [{ code: 'technique.slit' as const, values: { fromMm: run.rollMm, toMm: run.slitMm } }]),
    ...(run.gapMm === null ? [] : [{ code: 'technique.gap' as const, values: { gapMm: run.gapMm } }]),
  ];
  const met = onTheWay(run);
  return [...before, ...met, ...inBetween(run, met), ...offAgain(run)];
}

/** Where a tape reaches over what it covers. */
export const trimOverhang = (stretch: Overhang): LayMethod => ({
  code: 'technique.trim',
  values: { ...stretch },
  from: stretch.fromMm,
  to: stretch.toMm,
});

/** How a tape comes off that grips nearly as hard as what is below it holds. */
function offAgain({ hold, piece }: LayInput): LayMethod[] {
  const inMm = pathLength(piece) > RUN_RULES.longPeel ? RUN_RULES.peelLength : null;
  return hold === 'test' ? [{ code: 'technique.low-pull', values: { inMm } }] : [];
}

type PlacedCode =
  | 'technique.corner'
  | 'technique.pieces'
  | 'technique.snip'
  | 'technique.guide'
  | 'technique.hollow'
  | 'technique.press';
type StretchCode = 'technique.texture' | 'technique.at-the-piece';

function onTheWay({ piece, crosses, folds, closed, overhangs: over, posts, ...run }: LayInput): LayMethod[] {
  const [start, end] = [piece[0]!.at, piece.at(-1)!.at];
  const within = crosses.filter(({ from, to }) => to >= start && from <= end);
  const placesOf = (is: (crossing: FeatureCrossing) => boolean) => within.filter(is).map(({ from }) => from);
  const methodsAt = (code: PlacedCode, places: readonly number[]): LayMethod[] =>
    places.length === 0 ? [] : [{ code, values: { atMm: places }, from: Math.min(...places), to: Math.max(...places) }];
  const along = (code: StretchCode, kind: FeatureCrossing['kind']): LayMethod[] =>
    within
      .filter((crossing) => crossing.kind === kind)
      .map(({ from, to }) => {
        const [fromMm, toMm] = [Math.max(from, start), Math.min(to, end)];
        return { code, values: { fromMm, toMm }, from: fromMm, to: toMm };
      });
  const folded = folds.flatMap(([a, b]) => {
    const fold = straightPath(a, b);
    return fold ? pathCrossings(piece, fold).map(({ onFirst }) => onFirst) : [];
  });
  return [
    ...(closed ? [{ code: 'technique.closed' as const, values: { overlapMm: RUN_RULES.closedOverlap } }] : []),
    ...methodsAt('technique.corner', apart(cornerDistances(piece))),
    ...methodsAt('technique.snip', folded),
    ...methodsAt(
      'technique.guide',
      placesOf(({ kind }) => kind === 'raised-row'),
    ),
    ...rowsAlong({ ...run, piece }),
    ...methodsAt(
      'technique.pieces',
      placesOf(({ kind, feature }) => kind === 'opening' && posts.has(feature)),
    ),
    ...over.map(trimOverhang),
    ...along('technique.texture', 'texture'),
    ...along('technique.at-the-piece', 'no-touch'),
    ...methodsAt(
      'technique.hollow',
      placesOf(({ kind, bend }) => kind === 'crease' && bend === 'concave'),
    ),
    ...methodsAt(
      'technique.press',
      placesOf(({ kind, bend }) => kind === 'crease' && bend !== 'concave'),
    ),
  ];
}

/** Samples along a row; a row runs along under a tape from this many tape widths on. */
const ROW_PLACES = 40;
const ALONG_WIDTHS = 2;

/** Where rows of heads lie along under a tape: it can be pressed down neither on them nor beside them. */
function rowsAlong({
  piece,
  side,
  widthMm,
  rows,
  metric,
}: Pick<LayInput, 'piece' | 'side' | 'widthMm' | 'rows' | 'metric'>): LayMethod[] {
  if (rows.length === 0 || widthMm <= 0) return [];
  const band = placeBand({ piece, side, innerMm: 0, outerMm: widthMm, metric });
  return rows.flatMap(([a, b]): LayMethod[] => {
    const places = Array.from({ length: ROW_PLACES }, (_, index) => {
      const share = (index + 0.5) / ROW_PLACES;
      return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
    });
    const under = places.flatMap((place) => distanceInBand(band, place) ?? []);
    if (under.length === 0) return [];
    const [fromMm, toMm] = [Math.min(...under), Math.max(...under)];
    return toMm - fromMm < ALONG_WIDTHS * widthMm
      ? []
      : [{ code: 'technique.row-along', values: { fromMm, toMm }, from: fromMm, to: toMm }];
  });
}

/** Corners so near each other are one to the hand, mm. */
const ONE_CORNER_MM = 10;

/** Places, of which those hard by the one before are left out. */
const apart = (places: readonly number[]): number[] =>
  places.reduce<number[]>(
    (kept, place) => (kept.length > 0 && place - kept.at(-1)! < ONE_CORNER_MM ? kept : [...kept, place]),
    [],
  );

/** What is done with a tape before it goes anywhere: tried on the paint, stuck to cloth. */
export const preparationTechniques = ({ hold, deTack }: Pick<LayInput, 'hold' | 'deTack'>): LayMethod[] => [
  ...(hold === 'test' ? [messageWithoutValues('technique.test-pull')] : []),
  ...(deTack > 0 ? [{ code: 'technique.de-tack' as const, values: { times: deTack } }] : []),
];

/** An edge that shall not be seen: the tape stands off, paint fades out under it. */
export const softEdge: LayMethod = messageWithoutValues('technique.rolled-back');

/** How a run lies where it meets nothing. */
function inBetween({ fit, piece, oneTapeWide, soft }: LayInput, met: readonly LayMethod[]): LayMethod[] {
  if (soft) return [softEdge];
  if (fit.verdict === 'too-tight' || fit.verdict === 'impossible')
    return [messageWithoutValues('technique.end-before-bend')];
  if (oneTapeWide) return [messageWithoutValues('technique.one-tape')];
  if (fit.verdict === 'stretch' && fit.stretch >= RUN_RULES.leastStretchGiven)
    return [{ code: 'technique.stretch', values: { share: fit.stretch } }];
  if (fit.worstRadiusMm !== null) return [messageWithoutValues('technique.steer')];
  if (pathLength(piece) < RUN_RULES.shortRun) return [messageWithoutValues('technique.short')];
  // Against a guide, and round to where it began, a tape is not pulled tight.
  const loose: readonly (keyof TechniqueMessages)[] = ['technique.guide', 'technique.closed'];
  return met.some(({ code }) => loose.includes(code)) ? [] : [messageWithoutValues('technique.sighted')];
}
