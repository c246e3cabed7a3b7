import { RULE_OF_THUMB } from '../units';
import type { OrderProblem, TapeEdge } from './problem';
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
  /** True where anything is covered. */
  readonly masked: boolean;
}

/** True where the edge between an open and a covered area is seen in the end. */
const isCrisp = ({ areas }: OrderProblem, painted: readonly boolean[], openArea: number, closedArea: number): boolean =>
  (painted[closedArea] || areas[closedArea].finish === null) && !(areas[openArea].blend && areas[closedArea].finish === null);

/**
 * What has to be masked before a stage.
 * Covered areas on parts that are sprayed need tape along open areas and paper behind it; a strip one tape wide needs that tape alone.
 * What masks kept on from the stage before already cover costs nothing.
 */
export function maskCost(problem: OrderProblem, before: Progress, open: readonly boolean[]): MaskCost {
  const { areas, borders, model } = problem;
  const sprayed = new Set<string>();
  areas.forEach(({ part }, index) => open[index] && sprayed.add(part));
  const fresh = (area: number) => !open[area] && (before.open === null || before.open[area]);
  const strips = new Map<number, boolean>();
  const sum = { layMin: 0, pullMin: 0, tapeM: 0, risk: 0, money: 0 };
  const add = (edge: TapeEdge, crisp: boolean) => {
    const cost = rememberedEdge(edge, crisp, model);
    sum.layMin += cost.layMin;
    sum.pullMin += cost.pullMin;
    sum.tapeM += cost.tapeM;
    sum.risk += cost.risk;
    sum.money += cost.money;
  };
  for (const border of borders) {
    if (open[border.a] === open[border.b]) continue;
    const [free, closed] = open[border.a] ? [border.a, border.b] : [border.b, border.a];
    if (!fresh(closed)) continue;
    const crisp = isCrisp(problem, before.painted, free, closed);
    if (areas[closed].strip) strips.set(closed, (strips.get(closed) ?? false) || crisp);
    else add(border, crisp);
  }
  for (const [area, crisp] of strips) add(areas[area].strip as TapeEdge, crisp);
  let drapeM2 = 0;
  let readyAt = 0;
  let masked = false;
  areas.forEach((area, index) => {
    if (open[index] || !sprayed.has(area.part)) return;
    masked = true;
    if (!fresh(index)) return;
    if (!strips.has(index)) drapeM2 += area.sizeM2;
    // Paper lies on a covered area as tape does on its edge: both wait until it takes tape.
    readyAt = Math.max(readyAt, before.tapeSafeAt[index]);
  });
  return {
    ...sum,
    layMin: sum.layMin + drapeM2 * RULE_OF_THUMB.drapePerSquareMetre,
    money: sum.money + drapeM2 * RULE_OF_THUMB.pricePerDrapeM2,
    drapeM2,
    readyAt,
    masked,
  };
}

const costs = new WeakMap<TapeEdge, EdgeCost[]>();

function rememberedEdge(edge: TapeEdge, crisp: boolean, model: boolean): EdgeCost {
  const known = costs.get(edge) ?? [];
  if (known.length === 0) costs.set(edge, known);
  return (known[(crisp ? 1 : 0) + (model ? 2 : 0)] ??= edgeCost(edge, crisp, model));
}
