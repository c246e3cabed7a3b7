import { dwellMinutes } from '../drying';
import { CLOSED_WITH, closingMin } from '../masking';
import { closingsOf } from './closings';
import {
  drapeMin,
  drapeOver,
  dripPaper,
  NO_DRAPE,
  rememberedEdge,
  together,
  uncoverMin,
  wholeDrape,
  type Drape,
  type EdgeCost,
  type Sequence,
  type StageCost,
} from '../order';
import { guideTape, noSeam, stageRuns, type Backing, type LaidHow, type MaskedPart, type Run } from '../runs';
import { bondUnder, namer, offAfter, sessionsOf, tapeStays, type Common, type CommonOn, type Namer } from './item-frame';
import { meansOf, type StageSource } from './means';
import { backToFront } from './part-order';
import { rimItems } from './rim-items';
import type { BackingItem, CoverItem, Item, LineItem, PlugItem, RimItem, SeamItem } from './types';

/** What is laid for one stage. */
export interface StageItems {
  readonly plugs: readonly PlugItem[];
  readonly lines: readonly LineItem[];
  readonly rims: readonly RimItem[];
  /** What lies behind line tapes, before them. */
  readonly backings: readonly BackingItem[];
  readonly covers: readonly CoverItem[];
  /** What goes over the edges of covers. */
  readonly seams: readonly SeamItem[];
  /** How long its tapes come off clean, at least; minutes from when they are laid. Infinity: nothing is laid. */
  readonly cleanMin: number;
}

/** Everything laid for a stage. */
export function itemsOf(sequence: Sequence, index: number, source: StageSource): StageItems {
  const { design } = source;
  const stage = sequence.stages[index]!;
  const sessions = sessionsOf(sequence);
  const end = sequence.stages.length - 1;
  const common: Common = { stage: index + 1, hold: null };
  const untilOf = (off: number): Item['until'] => ({ stage: off + 1, session: sessions[off]! });
  const name = namer(sessions[index]!);
  const order = backToFront(source.works).map(({ part }) => part.id);
  const inOrder = <T extends { readonly part?: string; readonly id: string }>(list: readonly T[]): T[] =>
    [...list].sort((a, b) => order.indexOf(a.part ?? a.id) - order.indexOf(b.part ?? b.id));
  const runs = stageRuns(inOrder(maskedParts(sequence, index, source)), meansOf(source));
  const commonOn: CommonOn = (area) => ({ ...common, until: untilOf(area === null ? index : offAfter(sequence, index, area)) });
  const made = runs.map((run, place) => lineItems(run, place + 1, commonOn, source, name));
  const lines = made.map(({ line }, place) => {
    const first = runs.findIndex(({ part }) => part === line.part);
    const { sheet } = runs[place]!;
    return sheet === null || first + sheet === place ? line : { ...line, sheetOf: made[first + sheet]!.line.id };
  });
  const rims = rimItems(sequence, index, source, name, commonOn).sort((a, b) => order.indexOf(a.item.part) - order.indexOf(b.item.part));
  const covers = inOrder(coverItems(stage, source, [...lines, ...rims.map(({ item }) => item)], name, commonOn));
  const [backings, seams] = [made.flatMap(({ backing }) => backing ?? []), made.flatMap(({ seam }) => seam ?? [])];
  const hoursOf = ({ cleanHours, backing }: Run) => Math.min(cleanHours, backing?.cleanHours ?? Infinity);
  const laid = [...runs.map((run, place) => ({ cleanHours: hoursOf(run), item: lines[place]! })), ...rims];
  return {
    plugs: plugItems(sequence, index, source, name, { ...common, until: untilOf(end) }),
    lines,
    rims: rims.map(({ item }) => item),
    backings,
    covers,
    seams,
    // Masks that stay on for later coats are asked for how long they last when they come off.
    cleanMin: laid.reduce((least, { cleanHours, item }) => {
      const own = item.until.stage === index + 1 || stage.keep;
      return own ? Math.min(least, dwellMinutes(cleanHours, design.climate.airC)) : least;
    }, Infinity),
  };
}

/** The edges a stage lays, part by part. */
function maskedParts(sequence: Sequence, index: number, source: StageSource): MaskedPart[] {
  const {
    works,
    problem,
    starts: { areas, borders },
  } = source;
  const { mask } = sequence.stages[index]!;
  return works.map(({ part, lines, arrangement, setOut }, number) => {
    const ends = borders[number]! + arrangement.borders.length;
    const own = mask.edges.filter(({ border, laid }) => laid === 'now' && border >= borders[number]! && border < ends);
    return {
      id: part.id,
      count: part.count,
      round: setOut.board.drawn.axle !== null,
      lines,
      skin: setOut.board.drawn,
      arrangement,
      edges: own.map((edge) => ({
        border: edge.border - borders[number]!,
        free: edge.free - areas[number]!,
        closed: edge.closed - areas[number]!,
        class: edge.class,
        strip: edge.strip,
        backing: problem.borders[edge.border]!.backing === true,
        seam: problem.borders[edge.border]!.seam === true,
        staysMin: tapeStays(sequence, index, edge.closed),
        bondN25: bondUnder(sequence, index, edge.closed, source),
      })),
    };
  });
}

/** A line tape with what lies behind it and over the edge of its cover. */
interface LineItems {
  readonly line: LineItem;
  readonly backing: BackingItem | null;
  readonly seam: SeamItem | null;
}

function lineItems(run: Run, number: number, commonOn: CommonOn, source: StageSource, name: Namer): LineItems {
  const { works, problem, starts } = source;
  const part = works.findIndex((one) => one.part.id === run.part);
  const ids = works[part]!.areaIds;
  const [firstArea, firstBorder] = [starts.areas[part]!, starts.borders[part]!];
  // A strip costs its one tape; of a line in several pieces each costs the edges it makes.
  const strip = run.strip === null ? null : problem.areas[firstArea + run.strip]!.strip;
  const edges = strip
    ? run.edges.slice(0, 1).map(() => ({ edge: strip, share: 1 }))
    : run.edges.map(({ border, share }) => ({ edge: problem.borders[firstBorder! + border]!, share }));
  const costs = edges.map(({ edge, share }) => ({ ...rememberedEdge(edge, run.class === 'crisp', problem.model), share }));
  const { line, lineCode, side, sideSeen, from, to, edgeMm, count, verdict, stretch, worstAt, worstRadiusMm } = run;
  const minutes = (of: (cost: EdgeCost) => number) => costs.reduce((sum, { share, ...cost }) => sum + share * of(cost), 0);
  const [backingLayMin, backingPullMin, seamMin] = [
    minutes((cost) => cost.backingLayMin),
    minutes((cost) => cost.backingPullMin),
    minutes((cost) => cost.seamMin),
  ];
  const common = commonOn(firstArea + run.between.closed);
  const between = `${ids[run.between.closed]}|${ids[run.between.free]}`;
  const place = { part: run.part, line, lineCode, side, sideSeen, from, to, count };
  const backing: BackingItem | null = run.backing && {
    ...common,
    ...place,
    id: name(run.part, line, side, between, 'backing'),
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
    techniques: [backingTechnique(run.backing)],
    doubts: run.backing.doubts,
    after: [],
    layMin: backingLayMin,
    pullMin: backingPullMin,
  };
  const made: LineItem = {
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
      ? { material: guideTape(meansOf(source).tapes)?.code ?? null, lengthMm: run.tapeMm }
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
    after: backing ? [backing.id] : [],
    layMin: minutes(({ layMin }) => layMin) - backingLayMin - seamMin,
    pullMin: minutes(({ pullMin }) => pullMin) - backingPullMin,
  };
  const seam: SeamItem | null = run.seam && {
    ...common,
    ...place,
    id: name(run.part, line, side, between, 'seam'),
    kind: 'seam',
    material: run.seam.tape?.code ?? null,
    tapeKind: run.seam.tape?.kind ?? null,
    widthMm: run.seam.tape?.widthMm ?? 0,
    lengthMm: run.seam.lengthMm,
    techniques: [{ code: 'technique.over-seam', values: { tape: run.seam.tape?.code ?? null, lengthMm: run.seam.lengthMm } }],
    doubts: run.seam.tape ? [] : [noSeam],
    after: [made.id],
    layMin: seamMin,
    pullMin: 0,
  };
  return { line: made, backing, seam };
}

/** How backing lies: in one piece, or in straight pieces round a bend. */
const backingTechnique = ({ tape, lengthMm, offsetMm, pieces, pieceMm }: Backing): LaidHow => ({
  code: 'technique.backing',
  values: { tape, lengthMm, offsetMm, pieces, pieceMm: pieceMm ?? 0 },
});

/** Paper or film over what no tape covers alone, onto the tape round it; and over attached parts in reach, whole. */
function coverItems(
  { mask }: StageCost,
  { works, problem }: StageSource,
  tapes: readonly (LineItem | RimItem)[],
  name: Namer,
  commonOn: CommonOn,
): CoverItem[] {
  const draped = (drape: Drape) => ({
    kind: 'cover' as const,
    sizeM2: drape.sizeM2,
    material: 'drape',
    techniques: [],
    doubts: [],
    layMin: drapeMin(drape),
    pullMin: uncoverMin(drape),
  });
  const areas = mask.covers.flatMap(({ area, by, laid }): CoverItem[] => {
    const fresh = mask.drips ? mask.edges.filter((edge) => edge.closed === area && edge.laid === 'now') : [];
    if (by !== 'drape' || (mask.drips ? fresh.length === 0 : laid !== 'now')) return [];
    const papers = mask.drips ? fresh.map(({ border }) => dripPaper(problem.borders[border]!)) : [drapeOver(problem.areas[area]!)];
    const { part: id, area: of } = problem.areas[area]!;
    const { part, arrangement, areaIds } = works.find((work) => work.part.id === id)!;
    const own = areaIds.indexOf(of);
    const round = new Set(arrangement.borders.filter(({ left, right }) => left === own || right === own).map(({ line }) => line));
    const under = tapes.filter((tape) => (tape.kind === 'rim' ? tape.on === problem.areas[area]!.id : tape.part === id && round.has(tape.line)));
    return [
      {
        ...commonOn(area),
        ...draped(papers.reduce(together, NO_DRAPE)),
        id: name(id, 'cover', of),
        part: id,
        area: of,
        count: part.count,
        after: under.map((tape) => tape.id),
      },
    ];
  });
  const wholes = mask.wholes.flatMap((part): CoverItem[] => {
    const of = works.find((work) => work.part.id === part)?.part;
    if (!of) return [];
    return [{ ...commonOn(null), ...draped(wholeDrape(problem.areas, part)), id: name(part, 'cover', 'whole'), part, area: null, count: of.count, after: [] }];
  });
  return [...areas, ...wholes];
}

/** What closes the openings of parts that are sprayed for the first time. */
function plugItems({ stages }: Sequence, index: number, { works, problem }: StageSource, name: Namer, common: Common & Pick<Item, 'until'>): PlugItem[] {
  const before = index === 0 ? [] : stages[index - 1]!.after.plugged;
  const fresh = stages[index]!.after.plugged.filter((part) => !before.includes(part));
  return works
    .filter(({ part }) => fresh.includes(part.id))
    .flatMap((work) =>
      closingsOf(work, works.length > 1 ? work.part.name : null, problem.model).map(({ opening, closing }): PlugItem => ({
        ...common,
        id: name(work.part.id, 'plug', opening),
        kind: 'plug',
        part: work.part.id,
        opening,
        count: work.part.count,
        closing,
        material: CLOSED_WITH[closing.code],
        techniques: [],
        doubts: [],
        after: [],
        layMin: closingMin(closing) * work.part.count,
        pullMin: 0,
      })),
    );
}
