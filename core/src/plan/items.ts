import { dwellMinutes } from '../drying';
import { drapeMin, rememberedEdge, type Sequence, type StageCost } from '../order';
import { stageRuns, type MaskedPart, type Run } from '../runs';
import { RULE_OF_THUMB } from '../units';
import { meansOf, type StageGround } from './means';
import type { PartWork } from './part-work';
import type { CoverItem, Item, LineItem, PlugItem } from './types';

/** What is laid for one stage. */
export interface StageItems {
  readonly plugs: readonly PlugItem[];
  readonly lines: readonly LineItem[];
  readonly covers: readonly CoverItem[];
  /** How long its tapes come off clean, at least; minutes from when they are laid. Infinity: nothing is laid. */
  readonly cleanMin: number;
}

/** Sessions of a sequence: finish, with `#2` when it comes a second time. */
export function sessionsOf({ stages }: Pick<Sequence, 'stages'>): string[] {
  return stages.map(({ finish }, index) => {
    const times = stages.slice(0, index + 1).filter((one) => one.finish === finish).length;
    return times === 1 ? finish : `${finish}#${times}`;
  });
}

/** Names of items: what is laid for a stage, one after the other; a name that comes twice ends in `/2`. */
type Namer = (...what: readonly string[]) => string;

function namer(session: string): Namer {
  const taken = new Map<string, number>();
  return (...what) => {
    const name = [session, ...what].join('/');
    const times = (taken.get(name) ?? 0) + 1;
    taken.set(name, times);
    return times === 1 ? name : `${name}/${times}`;
  };
}

/** What all items of a stage have in common. */
type Common = Pick<Item, 'stage' | 'hold' | 'until'>;

/** Everything laid for a stage. */
export function itemsOf(sequence: Sequence, index: number, ground: StageGround): StageItems {
  const { design, works } = ground;
  const stage = sequence.stages[index];
  const sessions = sessionsOf(sequence);
  const off = offAfter(sequence, index);
  const end = sequence.stages.length - 1;
  const common: Common = { stage: index + 1, hold: null, until: { stage: off + 1, session: sessions[off] } };
  const name = namer(sessions[index]);
  const runs = stageRuns(maskedParts(stage, ground), { ...meansOf(ground), staysMin: tapeStays(sequence, index) });
  const lines = runs.map((run, place) => lineItem(run, `R${place + 1}`, common, ground, name));
  return {
    plugs: plugItems(sequence, index, works, name, { ...common, until: { stage: end + 1, session: sessions[end] } }),
    lines,
    covers: coverItems(stage, ground, lines, name, common),
    cleanMin: runs.reduce((least, { cleanHours }) => Math.min(least, dwellMinutes(cleanHours, design.climate.airC)), Infinity),
  };
}

/** The stage after which the masks of a stage come off, by index. */
export function offAfter({ stages }: Pick<Sequence, 'stages'>, index: number): number {
  const off = stages.findIndex(({ keep }, later) => later >= index && !keep);
  return off < 0 ? stages.length - 1 : off;
}

/** How long tape of a stage stays, from when it is laid until it is off, minutes. */
function tapeStays(sequence: Sequence, index: number): number {
  const { pulling } = sequence.stages[index];
  return pulling ? sequence.stages[offAfter(sequence, index)].after.clock - pulling.laidAt : 0;
}

/** The edges a stage lays, part by part. */
function maskedParts({ mask }: StageCost, { works, starts: { areas, borders } }: StageGround): MaskedPart[] {
  return works.map(({ part, lines, arrangement, setOut }, number) => {
    const ends = borders[number] + arrangement.borders.length;
    const own = mask.edges.filter(({ border, laid }) => laid === 'now' && border >= borders[number] && border < ends);
    return {
      id: part.id,
      count: part.count,
      round: setOut.board.drawn.round !== null,
      lines,
      arrangement,
      edges: own.map((edge) => ({
        border: edge.border - borders[number],
        free: edge.free - areas[number],
        closed: edge.closed - areas[number],
        class: edge.class,
        strip: edge.strip,
      })),
    };
  });
}

function lineItem(run: Run, code: string, common: Common, { works, problem, starts }: StageGround, name: Namer): LineItem {
  const part = works.findIndex((one) => one.part.id === run.part);
  const ids = works[part].areaIds;
  const [firstArea, firstBorder] = [starts.areas[part], starts.borders[part]];
  // A strip costs its one tape; of a line in several pieces each costs the edges it makes.
  const strip = run.strip === null ? null : problem.areas[firstArea + run.strip].strip;
  const edges = strip
    ? run.edges.slice(0, 1).map(() => ({ edge: strip, share: 1 }))
    : run.edges.map(({ border, share }) => ({ edge: problem.borders[firstBorder + border], share }));
  const costs = edges.map(({ edge, share }) => ({ ...rememberedEdge(edge, run.class === 'crisp', problem.model), share }));
  const { line, lineCode, side, sideSeen, from, to, edgeMm, count, verdict, stretch, worstAt, worstRadiusMm } = run;
  return {
    ...common,
    id: name(run.part, line, side, `${ids[run.between.closed]}|${ids[run.between.free]}`),
    kind: run.class === 'soft' ? 'soft' : 'line',
    code,
    part: run.part,
    line,
    lineCode,
    area: run.strip === null ? null : ids[run.strip],
    side,
    sideSeen,
    from,
    to,
    class: run.class,
    count,
    material: run.tape,
    widthMm: run.tapeWidthMm,
    lengthMm: run.tapeMm,
    edgeMm,
    verdict,
    stretch,
    worstAt,
    worstRadiusMm,
    techniques: [run.technique],
    doubts: run.doubt ? [run.doubt] : [],
    after: [],
    layMin: costs.reduce((sum, { layMin, share }) => sum + share * layMin, 0),
    pullMin: costs.reduce((sum, { pullMin, share }) => sum + share * pullMin, 0),
  };
}

/** Paper or film over what no tape covers alone; it goes onto the tape round it. */
function coverItems(
  { mask }: StageCost,
  { works, problem, starts: { areas: starts } }: StageGround,
  lines: readonly LineItem[],
  name: Namer,
  common: Common,
): CoverItem[] {
  return mask.covers.flatMap(({ area, by, laid }) => {
    if (by !== 'drape' || laid !== 'now') return [];
    const part = starts.findLastIndex((start) => start <= area);
    const { part: of, areaIds, arrangement } = works[part];
    const own = area - starts[part];
    const id = areaIds[own];
    const round = new Set(arrangement.borders.filter(({ left, right }) => left === own || right === own).map(({ line }) => line));
    return [
      {
        ...common,
        id: name(of.id, 'cover', id),
        kind: 'cover',
        part: of.id,
        area: id,
        count: of.count,
        sizeM2: problem.areas[area].sizeM2,
        material: 'drape',
        techniques: [],
        doubts: [],
        after: lines.filter((line) => line.part === of.id && round.has(line.line)).map((line) => line.id),
        layMin: drapeMin(problem.areas[area].sizeM2),
        pullMin: 0,
      },
    ];
  });
}

/** What closes the openings of parts that are sprayed for the first time. */
function plugItems({ stages }: Sequence, index: number, works: readonly PartWork[], name: Namer, common: Common): PlugItem[] {
  const before = index === 0 ? [] : stages[index - 1].after.plugged;
  const fresh = stages[index].after.plugged.filter((part) => !before.includes(part));
  return works
    .filter(({ part }) => fresh.includes(part.id))
    .flatMap(({ part, setOut }) =>
      setOut.features
        .filter(({ kind }) => kind === 'opening')
        .map((opening) => ({
          ...common,
          id: name(part.id, 'plug', opening.id),
          kind: 'plug',
          part: part.id,
          opening: opening.id,
          count: part.count,
          material: null,
          techniques: [],
          doubts: [],
          after: [],
          layMin: RULE_OF_THUMB.perPlug * part.count,
          pullMin: 0,
        })),
    );
}
