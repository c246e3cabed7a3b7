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
  const { works, starts } = source;
  const part = works.findIndex((work) => work.part.id === run.part);
  const ids = works[part]!.areaIds;
  const laid = commonOn(starts.areas[part]! + run.between.closed);
  const between = `${ids[run.between.closed]}|${ids[run.between.free]}`;
  const nameOf = (...suffix: string[]) => name(run.part, run.line, run.side, between, ...suffix);
  const frame: RunFrame = {
    run,
    number,
    laid,
    common: { ...laid, until: untilOf(laid.until) },
    minutes: runMinutes(run, source, part),
    lineId: nameOf(),
    backingId: run.backing && nameOf('backing'),
    backingOver,
  };
  return {
    line: lineItem(
      frame,
      run.strip === null ? null : ids[run.strip]!,
      guideTape(maskingMeans(source).tapes)?.code ?? null,
    ),
    backing: run.backing && backingItem(frame, run.backing),
    seam: run.seam && seamItem(frame, run.seam, nameOf('seam')),
  };
}

/** What all items of a run share. */
interface RunFrame {
  readonly run: Run;
  readonly number: number;
  readonly laid: ReturnType<CommonFieldsOn>;
  /** The same, coming off when the run does. */
  readonly common: ReturnType<CommonFieldsOn>;
  readonly minutes: RunMinutes;
  readonly lineId: LineItem['id'];
  readonly backingId: LineItem['id'] | null;
  readonly backingOver: boolean;
}

type RunMinutes = Pick<EdgeCost, 'layMin' | 'pullMin' | 'backingLayMin' | 'backingPullMin' | 'seamMin'>;

/** Minutes of a run. A strip costs its one tape; of a line in several pieces each costs the edges it makes. */
function runMinutes(run: Run, { problem, starts }: StageSource, part: number): RunMinutes {
  const strip = run.strip === null ? null : problem.areas[starts.areas[part]! + run.strip]!.strip;
  const edges = strip
    ? run.edges.slice(0, 1).map(() => ({ edge: strip, share: 1 }))
    : run.edges.map(({ border, share }) => ({ edge: problem.borders[starts.borders[part]! + border]!, share }));
  const costs = edges.map(({ edge, share }) => ({
    ...memoizedEdgeCost(edge, run.class === 'crisp', problem.model),
    share,
  }));
  const sum = (field: keyof RunMinutes) => costs.reduce((total, cost) => total + cost.share * cost[field], 0);
  return {
    layMin: sum('layMin'),
    pullMin: sum('pullMin'),
    backingLayMin: sum('backingLayMin'),
    backingPullMin: sum('backingPullMin'),
    seamMin: sum('seamMin'),
  };
}

/** Where the items of a run lie. */
const placeOf = ({ part, line, lineCode, side, sideSeen, from, to, count }: Run) => ({
  part,
  line,
  lineCode,
  side,
  sideSeen,
  from,
  to,
  count,
});

function lineItem(
  { run, number, common, minutes, lineId, backingId, backingOver }: RunFrame,
  area: LineItem['area'],
  guideCode: string | null,
): LineItem {
  const { verdict, stretch, worstAt, worstRadiusMm } = run;
  return {
    ...common,
    id: lineId,
    kind: run.class === 'soft' ? 'soft' : 'line',
    code: `R${number}`,
    part: run.part,
    line: run.line,
    lineCode: run.lineCode,
    area,
    side: run.side,
    sideSeen: run.sideSeen,
    from: run.from,
    to: run.to,
    class: run.class,
    count: run.count,
    material: run.tape,
    tapeKind: run.tapeKind,
    widthMm: run.tapeWidthMm,
    lengthMm: run.tapeMm,
    edgeMm: run.edgeMm,
    guide: run.techniques.some(({ code }) => code === 'technique.guide')
      ? { material: guideCode, lengthMm: run.tapeMm }
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
    layMin: minutes.layMin - minutes.backingLayMin - minutes.seamMin,
    pullMin: minutes.pullMin - minutes.backingPullMin,
  };
}

const backingItem = (
  { run, number, common, minutes, lineId, backingId, backingOver }: RunFrame,
  backing: Backing,
): BackingItem => ({
  ...common,
  ...placeOf(run),
  id: backingId!,
  kind: 'backing',
  code: `B${number}`,
  material: backing.tape,
  tapeKind: backing.tapeKind,
  widthMm: backing.widthMm,
  offsetMm: backing.offsetMm,
  pieces: backing.pieces,
  pieceMm: backing.pieceMm,
  lengthMm: backing.lengthMm,
  hold: backing.hold,
  behind: lineId,
  over: backingOver,
  techniques: [backingTechnique(backing, backingOver), ...backing.overhangs.map(trimOverhang)],
  doubts: backing.doubts,
  after: backingOver ? [lineId] : [],
  layMin: minutes.backingLayMin,
  pullMin: minutes.backingPullMin,
});

const seamItem = (
  { run, laid, minutes, lineId }: RunFrame,
  { tape, lengthMm }: NonNullable<Run['seam']>,
  id: SeamItem['id'],
): SeamItem => ({
  ...laid,
  ...placeOf(run),
  id,
  kind: 'seam',
  material: tape?.code ?? null,
  tapeKind: tape?.kind ?? null,
  widthMm: tape?.widthMm ?? 0,
  lengthMm,
  techniques: [{ code: 'technique.over-seam', values: { tape: tape?.code ?? null, lengthMm } }],
  doubts: tape ? [] : [noSeam],
  after: [lineId],
  layMin: minutes.seamMin,
  pullMin: 0,
});

/** How backing lies: in one piece, or in straight pieces round a bend. */
const backingTechnique = ({ tape, lengthMm, offsetMm, pieces, pieceMm }: Backing, over: boolean): LayMethod => ({
  code: over ? 'technique.backing-over' : 'technique.backing',
  values: { tape, lengthMm, offsetMm, pieces, pieceMm: pieceMm ?? 0 },
});
