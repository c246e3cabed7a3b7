import type { BackingItem, LineItem, SeamItem } from '../contract';
import { maskingMeans, type StageSource } from '../problem';
import { type Backing, guideTape, type LayMethod, noSeam, type Run, trimOverhang } from '../runs';
import { type EdgeCost, memoizedEdgeCost } from '../stage';
import type { CommonFieldsOn, ItemNamer } from './item-frame';

/** A line tape with what lies behind it and over the edge of its cover. */
export interface LineItems {
  readonly line: LineItem;
  readonly backing: BackingItem | null;
  readonly seam: SeamItem | null;
}

/** How a run lies and comes off: whether its backing lies over it, and when, of what comes off from its area then. */
export interface RunLaying {
  readonly backingOver: boolean;
  readonly untilOf: (until: LineItem['until']) => LineItem['until'];
}

/** What a run lays: its tape, what lies behind it, over or under it, what goes over the seam of its cover. */
export function lineItems(
  run: Run,
  number: number,
  commonOn: CommonFieldsOn,
  source: StageSource,
  name: ItemNamer,
  { backingOver, untilOf }: RunLaying,
): LineItems {
  const { works, problem, starts } = source;
  const part = works.findIndex((work) => work.part.id === run.part);
  const ids = works[part]!.areaIds;
  const [firstArea, firstBorder] = [starts.areas[part]!, starts.borders[part]!];
  // A strip costs its one tape; of a line in several pieces each costs the edges it makes.
  const strip = run.strip === null ? null : problem.areas[firstArea + run.strip]!.strip;
  const edges = strip
    ? run.edges.slice(0, 1).map(() => ({ edge: strip, share: 1 }))
    : run.edges.map(({ border, share }) => ({ edge: problem.borders[firstBorder! + border]!, share }));
  const costs = edges.map(({ edge, share }) => ({
    ...memoizedEdgeCost(edge, run.class === 'crisp', problem.model),
    share,
  }));
  const { line, lineCode, side, sideSeen, from, to, edgeMm, count, verdict, stretch, worstAt, worstRadiusMm } = run;
  const minutes = (minutesOf: (cost: EdgeCost) => number) =>
    costs.reduce((sum, { share, ...cost }) => sum + share * minutesOf(cost), 0);
  const [backingLayMin, backingPullMin, seamMin] = [
    minutes((cost) => cost.backingLayMin),
    minutes((cost) => cost.backingPullMin),
    minutes((cost) => cost.seamMin),
  ];
  const laid = commonOn(firstArea + run.between.closed);
  const common = { ...laid, until: untilOf(laid.until) };
  const between = `${ids[run.between.closed]}|${ids[run.between.free]}`;
  const place = { part: run.part, line, lineCode, side, sideSeen, from, to, count };
  const backingId = run.backing && name(run.part, line, side, between, 'backing');
  const item: LineItem = {
    ...common,
    id: name(run.part, line, side, between),
    kind: run.class === 'soft' ? 'soft' : 'line',
    code: `R${number}`,
    part: run.part,
    line,
    lineCode,
    area: run.strip === null ? null : ids[run.strip]!,
    side,
    sideSeen,
    from,
    to,
    class: run.class,
    count,
    material: run.tape,
    tapeKind: run.tapeKind,
    widthMm: run.tapeWidthMm,
    lengthMm: run.tapeMm,
    edgeMm,
    guide: run.techniques.some(({ code }) => code === 'technique.guide')
      ? { material: guideTape(maskingMeans(source).tapes)?.code ?? null, lengthMm: run.tapeMm }
      : null,
    sheetOf: null,
    pinned: run.pinned,
    backwards: run.backwards,
    walkMm: run.walkMm,
    verdict,
    stretch,
    worstAt,
    worstRadiusMm,
    hold: run.hold,
    techniques: run.techniques,
    doubts: run.doubts,
    after: backingId !== null && !backingOver ? [backingId] : [],
    layMin: minutes(({ layMin }) => layMin) - backingLayMin - seamMin,
    pullMin: minutes(({ pullMin }) => pullMin) - backingPullMin,
  };
  const backing: BackingItem | null = run.backing && {
    ...common,
    ...place,
    id: backingId!,
    kind: 'backing',
    code: `B${number}`,
    material: run.backing.tape,
    tapeKind: run.backing.tapeKind,
    widthMm: run.backing.widthMm,
    offsetMm: run.backing.offsetMm,
    pieces: run.backing.pieces,
    pieceMm: run.backing.pieceMm,
    lengthMm: run.backing.lengthMm,
    hold: run.backing.hold,
    behind: item.id,
    over: backingOver,
    techniques: [backingTechnique(run.backing, backingOver), ...run.backing.overhangs.map(trimOverhang)],
    doubts: run.backing.doubts,
    after: backingOver ? [item.id] : [],
    layMin: backingLayMin,
    pullMin: backingPullMin,
  };
  const seam: SeamItem | null = run.seam && {
    ...laid,
    ...place,
    id: name(run.part, line, side, between, 'seam'),
    kind: 'seam',
    material: run.seam.tape?.code ?? null,
    tapeKind: run.seam.tape?.kind ?? null,
    widthMm: run.seam.tape?.widthMm ?? 0,
    lengthMm: run.seam.lengthMm,
    techniques: [
      { code: 'technique.over-seam', values: { tape: run.seam.tape?.code ?? null, lengthMm: run.seam.lengthMm } },
    ],
    doubts: run.seam.tape ? [] : [noSeam],
    after: [item.id],
    layMin: seamMin,
    pullMin: 0,
  };
  return { line: item, backing, seam };
}

/** How backing lies: in one piece, or in straight pieces round a bend. */
const backingTechnique = ({ tape, lengthMm, offsetMm, pieces, pieceMm }: Backing, over: boolean): LayMethod => ({
  code: over ? 'technique.backing-over' : 'technique.backing',
  values: { tape, lengthMm, offsetMm, pieces, pieceMm: pieceMm ?? 0 },
});
