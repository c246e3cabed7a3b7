import type { FinishMethod } from '../finish';
import { type PartId, RULE_OF_THUMB } from '../kit';
import { type MaskEdge, maskOf, type StageMask, SURROUNDINGS_ID } from '../masking';
import type { OrderArea, OrderProblem, TapeEdge } from './problem';
import { STAGE_RULES } from './rules-of-thumb';
import type { Progress } from './stage';

/** What a length of masking costs. */
export interface EdgeCost {
  readonly layMin: number;
  /** Sealing what of it lies on texture. */
  readonly sealMin: number;
  readonly pullMin: number;
  readonly tapeM: number;
  /** Weighted metres of show edge. */
  readonly risk: number;
  readonly money: number;
  /** What of that is its backing. */
  readonly backingLayMin: number;
  readonly backingPullMin: number;
}

/** How an edge is built up: whether it stays, and whether a wider tape behind its line tape carries the cover. */
export interface EdgeForm {
  readonly crisp: boolean;
  readonly backed: boolean;
}

/** The form of an edge of a mask. */
export const formOf = ({ class: edgeClass, backed }: Pick<MaskEdge, 'class' | 'backed'>): EdgeForm => ({
  crisp: edgeClass === 'crisp',
  backed,
});

/**
 * Cost of one tape edge, laid and pulled once.
 * Source: rates per metre, piece and corner, rules of thumb.
 */
export function edgeCost(
  { lengthM, pieces, setOutMin, corners, bend, sealM }: TapeEdge,
  { crisp, backed }: EdgeForm,
  model: boolean,
): EdgeCost {
  const perPiece = model ? RULE_OF_THUMB.perPiece.model : RULE_OF_THUMB.perPiece.full;
  const fiddly = model && bend === 'features' ? STAGE_RULES.modelFeatures : 1;
  const rate = RULE_OF_THUMB.layPerMetre[bend][crisp ? 'crisp' : 'rough'];
  const pullMin = lengthM * RULE_OF_THUMB.pullPerMetre + pieces * RULE_OF_THUMB.pullPerPiece;
  const backingLayMin = backed
    ? lengthM * RULE_OF_THUMB.layPerMetre[bend === 'features' ? 'gentle' : bend].rough + pieces * perPiece
    : 0;
  const backingPullMin = backed ? pullMin : 0;
  const tapeM = lengthM * (backed ? 2 : 1);
  return {
    layMin:
      fiddly * (lengthM * rate + (crisp ? setOutMin : 0)) +
      pieces * perPiece +
      corners * RULE_OF_THUMB.perCorner +
      backingLayMin,
    sealMin: crisp ? sealM * RULE_OF_THUMB.sealPerMetre : 0,
    pullMin: pullMin + backingPullMin,
    tapeM,
    risk: lengthM * STAGE_RULES.riskPerMetre[bend] * (crisp ? 1 : STAGE_RULES.roughRisk),
    money: tapeM * RULE_OF_THUMB.pricePerTapeMetre,
    backingLayMin,
    backingPullMin,
  };
}

/** What a mask costs: what is laid of it in its stage. */
export interface MaskCost extends Omit<EdgeCost, 'backingLayMin' | 'backingPullMin'> {
  readonly drapeM2: number;
  /** Taking paper and film away. */
  readonly uncoverMin: number;
}

/** Cost of the masks of one stage. */
export interface StageMaskCost extends MaskCost {
  /** When the last of the colours that are covered now takes tape, minutes from the start. */
  readonly readyAt: number;
  readonly mask: StageMask;
}

/**
 * Cost of the mask of a stage: tape along every edge laid now, paper behind it; a strip one tape wide costs that
 * tape once, an attached part in reach is covered whole. What masks that stayed on already cover is free.
 */
export function stageMaskCost(
  problem: OrderProblem,
  before: Progress,
  open: readonly boolean[],
  method: FinishMethod,
): StageMaskCost {
  const joints = new Set(before.kept.flatMap(({ mask }) => mask.edges.map(({ border }) => border)));
  const mask = maskOf(problem, { open, painted: before.painted, standing: before.standing, joints, method });
  // Paper lies on a covered area as tape does on its edge: both wait until it takes tape.
  const fresh = [
    ...mask.covers.flatMap(({ area, laid }) => (laid === 'now' ? [area] : [])),
    ...mask.wholes.flatMap((part) => problem.areas.flatMap((area, index) => (area.part === part ? [index] : []))),
  ];
  const readyAt = fresh.reduce((last, area) => Math.max(last, before.tapeSafeAt[area]!), 0);
  return { ...maskCost(problem, mask), readyAt, mask };
}

/** Cost of a part of a mask. */
export function maskCost(
  { areas, borders, model }: OrderProblem,
  { edges, covers, wholes, drips }: StageMask,
): MaskCost {
  const sum = { layMin: 0, sealMin: 0, pullMin: 0, tapeM: 0, risk: 0, money: 0 };
  const add = (edge: TapeEdge, form: EdgeForm) => {
    const cost = memoizedEdgeCost(edge, form, model);
    sum.layMin += cost.layMin;
    sum.sealMin += cost.sealMin;
    sum.pullMin += cost.pullMin;
    sum.tapeM += cost.tapeM;
    sum.risk += cost.risk;
    sum.money += cost.money;
  };
  for (const edge of edges) if (edge.laid === 'now' && !edge.strip) add(borders[edge.border]!, formOf(edge));
  let drapes = NO_COVER;
  for (const { area, by, crisp, laid } of covers) {
    if (by === 'tape' && laid === 'now') add(areas[area]!.strip as TapeEdge, { crisp, backed: false });
    if (by !== 'drape') continue;
    if (drips) drapes = addCovers(drapes, dripPapers(borders, edges, area));
    else if (laid === 'now') drapes = addCovers(drapes, coverOver(areas[area]!));
  }
  for (const part of wholes) drapes = addCovers(drapes, wholePartCover(areas, part));
  return {
    ...sum,
    layMin: sum.layMin + coverMin(drapes),
    money: sum.money + drapes.sizeM2 * RULE_OF_THUMB.pricePerDrapeM2,
    drapeM2: drapes.sizeM2,
    uncoverMin: uncoverMin(drapes),
  };
}

/** Paper or film: how much, in how many pieces. */
export interface Cover {
  readonly sizeM2: number;
  readonly pieces: number;
  /** What of it hangs loose over something larger, m². */
  readonly bagM2: number;
}

export const NO_COVER: Cover = { sizeM2: 0, pieces: 0, bagM2: 0 };
export const addCovers = (cover: Cover, other: Cover): Cover => ({
  sizeM2: cover.sizeM2 + other.sizeM2,
  pieces: cover.pieces + other.pieces,
  bagM2: cover.bagM2 + other.bagM2,
});

/** What covers an area. */
export const coverOver = ({ sizeM2, bagM2 = 0, count }: Pick<OrderArea, 'sizeM2' | 'bagM2' | 'count'>): Cover => ({
  sizeM2,
  pieces: count,
  bagM2,
});

/** Paper along an edge, against drips. */
export const dripPaper = ({ lengthM, pieces }: Pick<TapeEdge, 'lengthM' | 'pieces'>): Cover => ({
  sizeM2: lengthM * STAGE_RULES.dripStripM,
  pieces,
  bagM2: 0,
});

/** The paper hung from all edges of an area that are laid now. */
export const dripPapers = (borders: OrderProblem['borders'], edges: readonly MaskEdge[], area: number): Cover =>
  edges.reduce(
    (sum, { border, closed, laid }) =>
      closed === area && laid === 'now' ? addCovers(sum, dripPaper(borders[border]!)) : sum,
    NO_COVER,
  );

/** What covers a part whole: one piece each. */
export function wholePartCover(areas: OrderProblem['areas'], part: PartId): Cover {
  const ownAreas = areas.filter((area) => area.part === part && area.area !== SURROUNDINGS_ID);
  return { sizeM2: ownAreas.reduce((sum, { sizeM2 }) => sum + sizeM2, 0), pieces: ownAreas[0]?.count ?? 0, bagM2: 0 };
}

/** Minutes to hang paper or film, and to take it away. Source: rules of thumb. */
export const coverMin = ({ sizeM2, pieces, bagM2 }: Cover): number =>
  (sizeM2 - bagM2) * RULE_OF_THUMB.drapePerSquareMetre +
  bagM2 * RULE_OF_THUMB.bagPerSquareMetre +
  pieces * RULE_OF_THUMB.drapePerPiece;
export const uncoverMin = ({ sizeM2, pieces }: Pick<Cover, 'sizeM2' | 'pieces'>): number =>
  sizeM2 * RULE_OF_THUMB.uncoverPerSquareMetre + pieces * RULE_OF_THUMB.uncoverPerPiece;

const costs = new WeakMap<TapeEdge, EdgeCost[]>();

/** Cost of an edge, cached. */
export function memoizedEdgeCost(edge: TapeEdge, form: EdgeForm, model: boolean): EdgeCost {
  const known = costs.get(edge) ?? [];
  if (known.length === 0) costs.set(edge, known);
  return (known[(form.crisp ? 1 : 0) + (form.backed ? 2 : 0) + (model ? 4 : 0)] ??= edgeCost(edge, form, model));
}
