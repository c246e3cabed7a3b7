import type { BackingItem, LineItem } from '../contract';
import { maskingMeans, type StageSource } from '../problem';
import { type Backing, guideTape, type LayMethod, type Run, trimOverhang } from '../runs';
import { type EdgeCost, formOf, memoizedEdgeCost, type Sequence } from '../stage';
import { type CommonFieldsOn, type ItemNamer, removalOf } from './item-frame';

/** A line tape with what lies behind it. */
export interface LineItems {
  readonly line: LineItem;
  readonly backing: BackingItem | null;
}

/** What a run lays: its tape, and what lies behind it, over or under it. */
export function lineItems(
  run: Run,
  number: number,
  commonOn: CommonFieldsOn,
  source: StageSource,
  name: ItemNamer,
  { sequence, index }: { readonly sequence: Sequence; readonly index: number },
): LineItems {
  const { works, starts } = source;
  const part = works.findIndex((work) => work.part.id === run.part);
  const ids = works[part]!.areaIds;
  const first = run.edges[0];
  const [backingOver, uncover] = [first?.backingOver ?? false, first?.uncover ?? false];
  const edge = {
    border: starts.borders[part]! + run.between.border,
    closed: starts.areas[part]! + run.between.closed,
  };
  const common = commonOn(edge.closed);
  const untilOf = (afterPull: boolean) => removalOf(sequence, index, edge, common.until, afterPull);
  const between = `${ids[run.between.closed]}|${ids[run.between.free]}`;
  const nameOf = (...suffix: string[]) => name(run.part, run.line, run.side, between, ...suffix);
  const frame: RunFrame = {
    run,
    number,
    common: { ...common, until: untilOf(uncover) },
    backingUntil: untilOf(uncover || !backingOver),
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
  };
}

/** What all items of a run share. */
interface RunFrame {
  readonly run: Run;
  readonly number: number;
  readonly common: ReturnType<CommonFieldsOn>;
  /** When its backing comes off. */
  readonly backingUntil: LineItem['until'];
  readonly minutes: RunMinutes;
  readonly lineId: LineItem['id'];
  readonly backingId: LineItem['id'] | null;
  readonly backingOver: boolean;
}

type RunMinutes = Pick<EdgeCost, 'layMin' | 'pullMin' | 'backingLayMin' | 'backingPullMin'>;

/** Minutes of a run. A strip costs its one tape; of a line in several pieces each costs the edges it makes. */
function runMinutes(run: Run, { problem, starts }: StageSource, part: number): RunMinutes {
  const strip = run.strip === null ? null : problem.areas[starts.areas[part]! + run.strip]!.strip;
  const edges = strip
    ? run.edges.slice(0, 1).map(() => ({ edge: strip, share: 1, backed: false }))
    : run.edges.map(({ border, share, backed }) => ({
        edge: problem.borders[starts.borders[part]! + border]!,
        share,
        backed,
      }));
  const costs = edges.map(({ edge, share, backed }) => ({
    ...memoizedEdgeCost(edge, formOf({ class: run.class, backed }), problem.model),
    share,
  }));
  const sum = (field: keyof RunMinutes) => costs.reduce((total, cost) => total + cost.share * cost[field], 0);
  return {
    layMin: sum('layMin'),
    pullMin: sum('pullMin'),
    backingLayMin: sum('backingLayMin'),
    backingPullMin: sum('backingPullMin'),
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
    layMin: minutes.layMin - minutes.backingLayMin,
    pullMin: minutes.pullMin - minutes.backingPullMin,
  };
}

const backingItem = (
  { run, number, common, backingUntil, minutes, lineId, backingId, backingOver }: RunFrame,
  backing: Backing,
): BackingItem => ({
  ...common,
  until: backingUntil,
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

/** How backing lies: in one piece, or in straight pieces round a bend. */
const backingTechnique = ({ tape, lengthMm, offsetMm, pieces, pieceMm }: Backing, over: boolean): LayMethod => ({
  code: over ? 'technique.backing-over' : 'technique.backing',
  values: { tape, lengthMm, offsetMm, pieces, pieceMm: pieceMm ?? 0 },
});
