import { RULE_OF_THUMB } from '../units';
import type { OrderProblem, TapeEdge } from './problem';
import { maskOf, type StageMask } from '../masking';
import type { Progress } from './progress';

/** What a length of masking costs. */
export interface EdgeCost {
  readonly layMin: number;
  readonly pullMin: number;
  readonly tapeM: number;
  /** Weighted metres of show edge. */
  readonly risk: number;
  readonly money: number;
}

/**
 * Cost of one tape edge, laid and pulled once.
 * @param crisp true where it makes an edge that stays
 * Source: rates per metre, piece, corner and measured point, rules of thumb.
 */
export function edgeCost({ lengthM, pieces, points, corners, bend }: TapeEdge, crisp: boolean, model: boolean): EdgeCost {
  const perPiece = model ? RULE_OF_THUMB.perPiece.model : RULE_OF_THUMB.perPiece.full;
  const setOut = crisp ? RULE_OF_THUMB.setOutPerMetre * lengthM + RULE_OF_THUMB.setOutPerPoint * points : 0;
  const rate = RULE_OF_THUMB.layPerMetre[bend][crisp ? 'crisp' : 'rough'];
  return {
    layMin: lengthM * rate + pieces * perPiece + corners * RULE_OF_THUMB.perCorner + setOut,
    pullMin: lengthM * RULE_OF_THUMB.pullPerMetre + pieces * RULE_OF_THUMB.pullPerPiece,
    tapeM: lengthM,
    risk: lengthM * RULE_OF_THUMB.riskPerMetre[bend] * (crisp ? 1 : RULE_OF_THUMB.roughRisk),
    money: lengthM * RULE_OF_THUMB.pricePerTapeMetre,
  };
}

/** Cost of masks of one stage. */
export interface MaskCost extends EdgeCost {
  readonly drapeM2: number;
  /** When the last of the colours that are covered now takes tape, minutes from the start. */
  readonly readyAt: number;
  readonly mask: StageMask;
}

/**
 * What the mask of a stage costs: tape along every edge laid now, paper behind it; a strip one tape wide costs that tape once.
 * What masks kept on from the stage before already cover costs nothing.
 */
export function maskCost(problem: OrderProblem, before: Progress, open: readonly boolean[]): MaskCost {
  const { areas, borders, model } = problem;
  const mask = maskOf(problem, { open, painted: before.painted, under: before.open });
  const sum = { layMin: 0, pullMin: 0, tapeM: 0, risk: 0, money: 0 };
  const add = (edge: TapeEdge, crisp: boolean) => {
    const cost = rememberedEdge(edge, crisp, model);
    sum.layMin += cost.layMin;
    sum.pullMin += cost.pullMin;
    sum.tapeM += cost.tapeM;
    sum.risk += cost.risk;
    sum.money += cost.money;
  };
  for (const { border, class: one, laid, strip } of mask.edges) if (laid === 'now' && !strip) add(borders[border], one === 'crisp');
  let drapeM2 = 0;
  let readyAt = 0;
  for (const { area, by, crisp, laid } of mask.covers) {
    if (laid !== 'now') continue;
    if (by === 'tape') add(areas[area].strip as TapeEdge, crisp);
    else drapeM2 += areas[area].sizeM2;
    // Paper lies on a covered area as tape does on its edge: both wait until it takes tape.
    readyAt = Math.max(readyAt, before.tapeSafeAt[area]);
  }
  return {
    ...sum,
    layMin: sum.layMin + drapeMin(drapeM2),
    money: sum.money + drapeM2 * RULE_OF_THUMB.pricePerDrapeM2,
    drapeM2,
    readyAt,
    mask,
  };
}

/** Minutes to hang so many square metres of paper or film. Source: rule of thumb. */
export const drapeMin = (sizeM2: number): number => sizeM2 * RULE_OF_THUMB.drapePerSquareMetre;

const costs = new WeakMap<TapeEdge, EdgeCost[]>();

/** What an edge costs, worked out once. */
export function rememberedEdge(edge: TapeEdge, crisp: boolean, model: boolean): EdgeCost {
  const known = costs.get(edge) ?? [];
  if (known.length === 0) costs.set(edge, known);
  return (known[(crisp ? 1 : 0) + (model ? 2 : 0)] ??= edgeCost(edge, crisp, model));
}
