import { sprayedMl } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import { edgeClass, whenMaskLaid } from '../masking';
import { coatingMin, type Cover, coverMin, coverOver, type EdgeCost, uncoverMin } from '../stage';
import { INFINITE_CAPACITY, MinCut } from './min-cut';
import { scoreWeights } from './order-cost';
import type { ProblemTable } from './problem-table';

/** What minutes, pulling, risk and money weigh in the bound of one stage. */
export interface StageWeights {
  readonly work: number;
  readonly pull: number;
  /** What a minute weighs at least, whenever it falls: while a colour dries. */
  readonly calm: number;
  /** Weight of a minute that is counted although nobody works in it. */
  readonly counted: number;
  readonly risk: number;
  readonly money: number;
}

/** One stage as the bound sees it. */
export interface RelaxedStage {
  readonly finish: number;
  /** Finishes sprayed before it, as bits. */
  readonly done: number;
  /** True where nothing is known of what was before it. */
  readonly any?: boolean;
  readonly coats: number;
  /** What is settled of each area: 1 open, 0 covered, -1 free. */
  readonly settled: Int8Array;
  /** Under masks that stay on from the stage before: 1 was open, 0 was covered, -1 not settled; null: nothing is on. */
  readonly under: Int8Array | null;
  /** Nodes of the stage before in the same cut; only where its masks stay on. */
  readonly underNodes?: readonly number[];
  readonly weights: StageWeights;
  /** Least that opening an area of another finish costs later: what comes over this coat may have to be keyed; below zero where it spares coats. */
  readonly owed: (area: number) => number;
}

/** What an edge weighs. */
export const edgeWeight = ({ layMin, sealMin, pullMin, risk, money }: EdgeCost, weights: StageWeights): number =>
  weights.work * (layMin + sealMin) + weights.pull * pullMin + weights.risk * risk + weights.money * money;

/**
 * Cheapest way to open and cover the areas of one part in one stage, independently of everything else.
 * @returns a weighted lower bound on masks and spraying there, and the areas opened by the choice that reaches it
 */
export function relaxPart(
  table: ProblemTable,
  stage: RelaxedStage,
  part: number,
): { readonly cost: number; readonly open: readonly number[] } {
  const cut = new MinCut();
  const nodes: number[] = [];
  const { areas } = table.parts[part]!;
  const fixed = addPart(cut, table, stage, part, nodes);
  const { cost, open } = cut.solve();
  return { cost: cost + fixed, open: areas.filter((area) => open[nodes[area]!]) };
}

/** A stage written into a cut: the node of each area, and what the stage costs whatever is chosen. */
export interface CutStage {
  readonly nodes: readonly number[];
  readonly fixed: number;
}

/** Writes the choices of one stage into a cut. */
export function addStage(cut: MinCut, table: ProblemTable, stage: RelaxedStage): CutStage {
  const nodes: number[] = new Array<number>(table.own.length);
  const fixed = table.parts.reduce((sum, _, part) => sum + addPart(cut, table, stage, part, nodes), 0);
  return { nodes, fixed: fixed + fixedSpray(table, stage) };
}

/** A part being written into a cut. */
interface PartWriter {
  readonly cut: MinCut;
  readonly table: ProblemTable;
  readonly stage: RelaxedStage;
  readonly part: number;
  /** Node of each area. */
  readonly nodes: number[];
  /** Node of the part being sprayed at all. */
  readonly sprayed: number;
  /** Node of each strip that is covered by a tape of its own. */
  readonly stripNodes: Map<number, number>;
  /** True where an area is certainly open. */
  readonly certain: boolean;
  /** How masks of an outer area are charged for here. */
  readonly charge: ReturnType<ProblemTable['outer']['charge']>;
  /** Weights of what may be laid while a colour dries, since it is laid once. */
  readonly calm: StageWeights;
}

/** Writes one part of a stage into a cut: its nodes are put into `nodes`, what it costs whatever is chosen comes back. */
function addPart(cut: MinCut, table: ProblemTable, stage: RelaxedStage, part: number, nodes: number[]): number {
  const { areas } = table.parts[part]!;
  const { settled, weights, finish } = stage;
  for (const area of areas) nodes[area] = settled[area] === 1 ? 0 : settled[area] === 0 ? 1 : cut.node();
  const writer: PartWriter = {
    cut,
    table,
    stage,
    part,
    nodes,
    sprayed: cut.node(),
    stripNodes: new Map(),
    certain: areas.some((area) => settled[area] === 1),
    charge: table.outer.charge(part, finish, stage.any ? null : stage.done),
    calm: onceWeights(weights),
  };
  const whole = table.reached[finish]!.get(part);
  if (whole) cut.charge(0, writer.sprayed, drapePrice(whole, weights));
  return addEdges(writer, addAreas(writer, 0));
}

/** Writes spraying and covering of the areas; returns what is fixed, added to `fixed` one by one. */
function addAreas(writer: PartWriter, fixed: number): number {
  const { cut, table, stage, part, nodes, sprayed } = writer;
  const { settled } = stage;
  const sprayWeight = sprayWeightOf(table, stage);
  const first = !stage.any && (stage.done & table.parts[part]!.finishes) === 0;
  let sum = fixed;
  for (const area of table.parts[part]!.areas) {
    const spray = sprayWeight(area);
    if (settled[area] === 1) sum += spray;
    else if (spray >= 0) cut.charge(nodes[area]!, 1, spray);
    else if (settled[area] === -1) {
      // Opening it saves more than it costs: that is granted, and charged back where it stays covered.
      sum += spray;
      cut.charge(0, nodes[area]!, -spray);
    }
    cut.charge(nodes[area]!, sprayed, INFINITE_CAPACITY);
    const fresh = freshness(stage, area);
    if (settled[area] === 1 || fresh === null) continue;
    if (table.outer.areas[area] && writer.charge !== 'every') {
      const once = writer.charge === 'once' && first && writer.certain && !table.strips[area] && fresh === 'now';
      // It may have been laid with another colour, when the tapes along a narrow area were enough.
      if (once && table.problem.areas[area]!.narrow === undefined) sum += hungWeight(table, stage, area, writer.calm);
    } else chargeCover(writer, area, fresh);
  }
  return sum;
}

/** What it weighs to spray an area: its paint, what it owes later, and paint that is hidden again. */
function sprayWeightOf(table: ProblemTable, stage: RelaxedStage): (area: number) => number {
  const { own, alike, problem } = table;
  const { finish, weights } = stage;
  const paint = paintOn(table, stage);
  return (area) => {
    const stray =
      own[area] === finish || alike[area] === finish
        ? 0
        : weights.counted * RULE_OF_THUMB.strayPerM2 * problem.areas[area]!.sizeM2;
    return paint(area) + (own[area] === finish ? 0 : stage.owed(area)) + stray;
  };
}

/** Charges the cover, or the tape of a strip, of an area that is covered. */
function chargeCover(writer: PartWriter, area: number, fresh: 'now' | number): void {
  const { cut, table, stage, nodes, sprayed, certain } = writer;
  const { weights } = stage;
  const strip = hasCoveredNeighbour(table, stage, area) ? null : table.strips[area];
  // Which of its neighbours are open is not settled: it is certainly crisp where it is against each of them.
  const crisp =
    strip !== null && table.beside[area]!.every((other) => classBetween(table, stage.done, other, area) === 'crisp');
  const price = strip
    ? edgeWeight(crisp ? strip.crisp : strip.rough, weights)
    : hungWeight(table, stage, area, weights);
  if (fresh !== 'now') {
    // Laid where it was open under the masks before and is covered now; that the part is sprayed, or a neighbour open, must be certain.
    const bare = strip ? table.beside[area]!.some((other) => stage.settled[other] === 1) : certain;
    if (bare) cut.charge(fresh, nodes[area]!, price);
  } else if (!strip) cut.charge(sprayed, nodes[area]!, price);
  else {
    const node = cut.node();
    writer.stripNodes.set(area, node);
    cut.charge(node, nodes[area]!, price);
  }
}

/** Writes the edges between open and covered areas, both ways round; returns what is fixed, added to `fixed` one by one. */
function addEdges(writer: PartWriter, fixed: number): number {
  let sum = fixed;
  for (const edge of writer.table.parts[writer.part]!.edges) {
    sum = addEdge(writer, edge, [edge.a, edge.b], sum);
    sum = addEdge(writer, edge, [edge.b, edge.a], sum);
  }
  return sum;
}

function addEdge(
  { cut, table, stage, nodes, stripNodes, charge, calm }: PartWriter,
  border: ProblemTable['parts'][number]['edges'][number],
  [free, closed]: readonly [number, number],
  fixed: number,
): number {
  const { own, strips, outer, finishes, problem } = table;
  const { a, crisp, rough, sprayed, paper } = border;
  const fresh = freshness(stage, closed);
  if (stage.settled[closed] === 1 || fresh === null) return fixed;
  const isCrisp = classBetween(table, stage.done, free, closed) === 'crisp';
  // Against drips of a roller paper hangs along the edges, unless their tapes are all that covers a narrow area.
  const alone = !hasCoveredNeighbour(table, stage, closed);
  const hangs = finishes[stage.finish]!.method === 'roller' && !(alone && problem.areas[closed]!.narrow !== undefined);
  const strip = alone ? strips[closed] : null;
  const withCover = table.drips[stage.finish] ? crisp : sprayed[closed === a ? 0 : 1];
  const weightOf = (edge: EdgeCost, given: StageWeights) =>
    edgeWeight(edge, given) + (hangs ? drapePrice(paper, given) : 0);
  if (outer.areas[closed] && charge !== 'every') {
    const once = charge === 'once' && own[free] === stage.finish && !strips[closed] && fresh === 'now';
    // It may have been laid with another colour than this one.
    return once ? fixed + weightOf(isCrisp ? (table.drips.some(Boolean) ? crisp : withCover) : rough, calm) : fixed;
  }
  const price = weightOf(isCrisp ? withCover : rough, stage.weights);
  if (fresh !== 'now') {
    if (!strip && stage.settled[free] === 1) cut.charge(fresh, nodes[closed]!, price);
  } else if (strip) cut.charge(nodes[free]!, stripNodes.get(closed) as number, INFINITE_CAPACITY);
  else cut.charge(nodes[free]!, nodes[closed]!, price);
  return fixed;
}

/** How crisp the edge of an open area against a covered one must be, once some finishes are on. */
const classBetween = ({ problem, own }: ProblemTable, done: number, free: number, closed: number) =>
  edgeClass(problem.areas[free]!, problem.areas[closed]!, own[closed]! >= 0 && ((done >> own[closed]!) & 1) === 1);

/** True where something beside an area is certainly covered with it: then tapes along its lines do not cover it alone. */
const hasCoveredNeighbour = ({ beside }: ProblemTable, { settled }: RelaxedStage, area: number): boolean =>
  beside[area]!.some((other) => settled[other] === 0);

/** Weight of the cover over a whole area, at least; against drips there is none, and the tapes along a narrow one may be enough. */
const hungWeight = (table: ProblemTable, stage: RelaxedStage, area: number, weights: StageWeights): number => {
  const { problem, drips } = table;
  const byTapes = problem.areas[area]!.narrow !== undefined && !hasCoveredNeighbour(table, stage, area);
  return drips[stage.finish] || byTapes ? 0 : drapePrice(coverOver(problem.areas[area]!), weights);
};

/** What is laid once, in this stage or an earlier one, weighs at least. */
export const onceWeights = (weights: StageWeights): StageWeights => ({
  ...weights,
  work: weights.calm,
  pull: weights.calm,
});

/** Weight of covering an attached part whole, if a finish that is not its own reaches it. */
export function wholePartWeight(
  { reached }: ProblemTable,
  finish: number,
  part: number,
  weights: StageWeights,
): number {
  const whole = reached[finish]!.get(part);
  return whole ? drapePrice(whole, weights) : 0;
}

/** Whether a mask on an area is laid in this stage: certainly, or if the area was open before (its node then), or not for certain (null). */
function freshness({ under, underNodes }: RelaxedStage, area: number): 'now' | number | null {
  const laid = whenMaskLaid(under && under[area]!);
  if (laid === 'now') return laid;
  return laid === 'if-open' && underNodes ? underNodes[area]! : null;
}

const drapePrice = (drape: Cover, { work, pull, money }: StageWeights): number =>
  work * coverMin(drape) + pull * uncoverMin(drape) + money * drape.sizeM2 * RULE_OF_THUMB.pricePerDrapeM2;

/** What all coats of a stage weigh on an area. */
function paintOn(
  { finishes, problem }: ProblemTable,
  { finish, coats, weights }: RelaxedStage,
): (area: number) => number {
  const paint = finishes[finish]!;
  const perM2 = weights.money * priceOf(paint, mlPerM2(paint, coats));
  return (area) =>
    weights.work * coats * coatingMin(problem.areas[area]!, paint.method) + perM2 * problem.areas[area]!.sizeM2;
}

/** What lands on a square metre and misses it; what stays in the cup is paid once a stage. */
const mlPerM2 = ({ coatUm, solids, method }: ProblemTable['finishes'][number], coats: number): number =>
  sprayedMl(1, coats * coatUm, solids, RULE_OF_THUMB.transfer[method]);

/** Weight of one more coat on all areas of a finish, for a weight per minute. */
export function coatWeight(table: ProblemTable, finish: number, minute: number): number {
  const sizeM2 = table.sizeOf[finish]!;
  const paint = table.finishes[finish]!;
  const { money } = scoreWeights(table);
  return (
    minute * (table.coatingOf[finish]! + RULE_OF_THUMB.perCoat) + money * sizeM2 * priceOf(paint, mlPerM2(paint, 1))
  );
}

/** What every stage costs that sprays anything at all. */
export function fixedSpray(
  { finishes, blendOf }: ProblemTable,
  { finish, coats, weights }: Pick<RelaxedStage, 'finish' | 'coats' | 'weights'>,
): number {
  const paint = finishes[finish]!;
  return (
    weights.work * (coats * RULE_OF_THUMB.perCoat + blendOf[finish]!) +
    weights.money * priceOf(paint, RULE_OF_THUMB.cupLossMl[paint.method])
  );
}

const priceOf = ({ pricePerL }: ProblemTable['finishes'][number], ml: number): number =>
  (ml / 1000) * (pricePerL ?? RULE_OF_THUMB.pricePerLitre);
