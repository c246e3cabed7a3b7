import { dwellMinutes } from '../drying';
import { CLOSED_WITH, closingOf } from '../masking';
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
  type Sequence,
  type StageCost,
} from '../order';
import { stageRuns, type MaskedPart, type Run } from '../runs';
import { RULE_OF_THUMB } from '../units';
import { bondUnder, namer, offAfter, sessionsOf, tapeStays, type Common, type CommonOn, type Namer } from './item-frame';
import { meansOf, type StageSource } from './means';
import { rimItems } from './rim-items';
import type { CoverItem, Item, LineItem, PlugItem, RimItem } from './types';

/** What is laid for one stage. */
export interface StageItems {
  readonly plugs: readonly PlugItem[];
  readonly lines: readonly LineItem[];
  readonly rims: readonly RimItem[];
  readonly covers: readonly CoverItem[];
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
  const runs = stageRuns(maskedParts(sequence, index, source), meansOf(source));
  const commonOn: CommonOn = (area) => ({ ...common, until: untilOf(area === null ? index : offAfter(sequence, index, area)) });
  const lines = runs.map((run, place) => lineItem(run, `R${place + 1}`, commonOn, source, name));
  const rims = rimItems(sequence, index, source, name, commonOn);
  const covers = coverItems(stage, source, [...lines, ...rims.map(({ item }) => item)], name, commonOn);
  const laid = [...runs.map(({ cleanHours }, place) => ({ cleanHours, item: lines[place]! })), ...rims];
  return {
    plugs: plugItems(sequence, index, source, name, { ...common, until: untilOf(end) }),
    lines,
    rims: rims.map(({ item }) => item),
    covers,
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
        staysMin: tapeStays(sequence, index, edge.closed),
        bondN25: bondUnder(sequence, index, edge.closed, source),
      })),
    };
  });
}

function lineItem(run: Run, code: string, commonOn: CommonOn, { works, problem, starts }: StageSource, name: Namer): LineItem {
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
  return {
    ...commonOn(firstArea + run.between.closed),
    id: name(run.part, line, side, `${ids[run.between.closed]}|${ids[run.between.free]}`),
    kind: run.class === 'soft' ? 'soft' : 'line',
    code,
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
    verdict,
    stretch,
    worstAt,
    worstRadiusMm,
    hold: run.hold,
    techniques: run.techniques,
    doubts: run.doubts,
    after: [],
    layMin: costs.reduce((sum, { layMin, share }) => sum + share * layMin, 0),
    pullMin: costs.reduce((sum, { pullMin, share }) => sum + share * pullMin, 0),
  };
}

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
    .flatMap(({ part, setOut }) =>
      (setOut.board.shape.features ?? []).flatMap((opening): PlugItem[] => {
        // One that is measured from a datum that is gone is nowhere.
        if (opening.kind !== 'opening' || !setOut.features.some(({ id }) => id === opening.id)) return [];
        const closing = closingOf(opening, works.length > 1 ? part.name : null, part.count, problem.model);
        return [
          {
            ...common,
            id: name(part.id, 'plug', opening.id),
            kind: 'plug',
            part: part.id,
            opening: opening.id,
            count: part.count,
            closing,
            material: CLOSED_WITH[closing.code],
            techniques: [],
            doubts: [],
            after: [],
            layMin: RULE_OF_THUMB.perPlug * part.count,
            pullMin: 0,
          },
        ];
      }),
    );
}
