import { restingAir } from '../air';
import type {
  BackingItem,
  CoverItem,
  Item,
  LineItem,
  OpeningTapeItem,
  OwnItem,
  PlugItem,
  SurroundingsItem,
} from '../contract';
import { maxDwellMin } from '../drying';
import { minOf, type PartId } from '../kit';
import { CLOSING_MATERIALS, closingMin, FOAM, openingMin } from '../masking';
import { maskingMeans, openingClosings, type StageSource } from '../problem';
import type { MaskedPart, Run } from '../runs';
import type { Sequence } from '../stage';
import { cachedRuns } from './cached-runs';
import { coverItems } from './cover-items';
import {
  bondBelow,
  type CommonFields,
  type CommonFieldsOn,
  earlyPull,
  edgeOff,
  type ItemNamer,
  itemNamer,
  removalStage,
  sessionsOf,
  tapeDwell,
} from './item-frame';
import { lineItems } from './line-items';
import { closingItems } from './opening-tape-items';
import { ownItems } from './own-pieces';
import { partsBackToFront } from './part-order';
import { surroundingsItems } from './surroundings-items';

/** What is laid for one stage. */
export interface StageItems {
  /** What closes openings, each with its tapes, in laying order. */
  readonly closings: readonly (PlugItem | OpeningTapeItem)[];
  readonly lines: readonly LineItem[];
  readonly rims: readonly SurroundingsItem[];
  /** What lies behind line tapes, before them. */
  readonly backings: readonly BackingItem[];
  readonly covers: readonly CoverItem[];
  /** What a person lays besides. */
  readonly own: readonly OwnItem[];
  /** How long its tapes come off clean, at least, and those that come off before the rest; minutes from when they are laid. Infinity: nothing is laid. */
  readonly cleanMin: number;
  readonly earlyCleanMin: number;
}

/** Everything laid for a stage. */
export function itemsOf(sequence: Sequence, index: number, source: StageSource): StageItems {
  const { design } = source;
  const stage = sequence.stages[index]!;
  const sessions = sessionsOf(sequence);
  const common: CommonFields = { stage: index + 1, hold: null };
  const untilOf = (off: number): Item['until'] => ({ stage: off + 1, session: sessions[off]! });
  const name = itemNamer(sessions[index]!);
  const order = partsBackToFront(source.works).map(({ part }) => part.id);
  const inOrder = <T extends { readonly part?: string; readonly id: string }>(list: readonly T[]): T[] =>
    [...list].sort((a, b) => order.indexOf(a.part ?? a.id) - order.indexOf(b.part ?? b.id));
  const means = maskingMeans(source);
  const runs = inOrder(maskedParts(sequence, index, source)).flatMap((part) => cachedRuns(part, means, source.shelf));
  const commonOn: CommonFieldsOn = (area) => ({
    ...common,
    until: untilOf(area === null ? index : removalStage(sequence, index, area)),
  });
  const lineItemSets = runs.map((run, place) => lineItems(run, place + 1, commonOn, source, name, { sequence, index }));
  const lines = lineItemSets.map(({ line }, place) => {
    const first = runs.findIndex(({ part }) => part === line.part);
    const { sheet } = runs[place]!;
    return sheet === null || first + sheet === place
      ? line
      : { ...line, sheetOf: lineItemSets[first + sheet]!.line.id };
  });
  const rims = surroundingsItems(sequence, index, source, name, commonOn).sort(
    (a, b) => order.indexOf(a.item.part) - order.indexOf(b.item.part),
  );
  const backings = lineItemSets.flatMap(({ backing }) => backing ?? []);
  const carriers = runs.flatMap(({ part, edges }, place) => {
    const first = source.starts.areas[source.works.findIndex((work) => work.part.id === part)]!;
    const { line, backing } = lineItemSets[place]!;
    return edges.map(({ closed, backed }) => ({
      area: source.problem.areas[first + closed]!.id,
      item: (backed ? backing : line)?.id ?? line.id,
    }));
  });
  // Foam carries no cover.
  const rimCarriers = rims.flatMap(({ item }) => (item.material === FOAM ? [] : [{ area: item.on, item: item.id }]));
  const covers = inOrder(coverItems(sequence, index, source, [...carriers, ...rimCarriers], name, commonOn));
  const hoursOf = ({ cleanHours, backing }: Run) => Math.min(cleanHours, backing?.cleanHours ?? Infinity);
  const laid = [...runs.map((run, place) => ({ cleanHours: hoursOf(run), item: lines[place]! })), ...rims];
  // Masks that stay on for later coats must come off clean at their removal.
  const cleanFor = (isOne: (until: Item['until']) => boolean): number =>
    minOf(
      laid.flatMap(({ cleanHours, item: { until } }) =>
        (until.stage === index + 1 || stage.keep) && isOne(until)
          ? [maxDwellMin(cleanHours, restingAir(design.climate).airC)]
          : [],
      ),
    );
  return {
    closings: plugItems(sequence, index, source, name, common, untilOf).flatMap((plug) =>
      closingItems(plug, sequence, index, source),
    ),
    lines,
    rims: rims.map(({ item }) => item),
    backings,
    covers,
    own: inOrder(ownItems(stage, source, name, { ...common, until: { ...untilOf(index), uncover: true } })),
    cleanMin: cleanFor(({ early }) => early === undefined),
    earlyCleanMin: cleanFor(({ early }) => early !== undefined),
  };
}

/** The edges a stage lays, part by part. */
function maskedParts(sequence: Sequence, index: number, source: StageSource): MaskedPart[] {
  const {
    works,
    problem,
    starts: { areas, borders },
  } = source;
  const { mask, finish } = sequence.stages[index]!;
  const brushed = problem.finishes.get(finish)?.method === 'brush';
  const byTapes = new Set(mask.covers.flatMap(({ area, by }) => (by === 'edges' ? [area] : [])));
  const hung = new Set(mask.covers.flatMap(({ area, by }) => (by === 'drape' ? [area] : [])));
  return works.map(({ part, lines, arrangement, setOut }, number) => {
    const ends = borders[number]! + arrangement.borders.length;
    const paintedUntil = paintedSoFar((off) =>
      arrangement.areas.map((_, area) =>
        sequence.stages.slice(index, off + 1).some(({ open }) => open[areas[number]! + area]),
      ),
    );
    const maskEdges = mask.edges.filter(
      ({ border, laid }) => laid === 'now' && border >= borders[number]! && border < ends,
    );
    return {
      id: part.id,
      count: part.count,
      round: setOut.board.drawn.axle !== null,
      lines,
      skin: setOut.board.drawn,
      rows: setOut.features.flatMap(({ kind, row }) => (kind === 'raised-row' && row ? [row] : [])),
      posts: new Set(
        (part.features ?? []).flatMap((feature) =>
          feature.kind === 'opening' && feature.use === 'post' ? [feature.id] : [],
        ),
      ),
      arrangement,
      edges: maskEdges.map((edge) => {
        const early = earlyPull(sequence, index, edge);
        return {
          border: edge.border - borders[number]!,
          free: edge.free - areas[number]!,
          closed: edge.closed - areas[number]!,
          class: edge.class,
          strip: edge.strip,
          backed: edge.backed,
          carries: !edge.backed && !edge.strip && hung.has(edge.closed),
          brushed,
          coversMm: byTapes.has(edge.closed) ? (problem.areas[edge.closed]!.narrow ?? null) : null,
          ...edgeOff(sequence, index, edge),
          staysMin: tapeDwell(sequence, index, edge.closed, early),
          painted: paintedUntil(removalStage(sequence, index, edge.closed)),
          bondN25: bondBelow(sequence, index, edge.closed, source, early),
        };
      }),
    };
  });
}

/** Which areas are painted until a stage, each list made once. */
function paintedSoFar(until: (off: number) => readonly boolean[]): (off: number) => readonly boolean[] {
  const known = new Map<number, readonly boolean[]>();
  return (off) => {
    const painted = known.get(off) ?? until(off);
    known.set(off, painted);
    return painted;
  };
}

/** The stage after which the openings of a part are opened again, by index. */
const openedStage = (stages: Sequence['stages'], from: number, part: PartId): number => {
  const off = stages.findIndex(({ pulled }, index) => index >= from && pulled?.openings.includes(part));
  return off < 0 ? stages.length - 1 : off;
};

/** What closes the openings of parts that are sprayed for the first time. */
function plugItems(
  { stages }: Sequence,
  index: number,
  { works, problem, design }: StageSource,
  name: ItemNamer,
  common: CommonFields,
  untilOf: (off: number) => Item['until'],
): PlugItem[] {
  const { closes } = stages[index]!;
  return works
    .filter(({ part }) => closes.includes(part.id))
    .flatMap((work) =>
      openingClosings(work, works.length > 1 ? work.part.name : null, design).map(({ opening, closing }): PlugItem => ({
        ...common,
        until: untilOf(openedStage(stages, index, work.part.id)),
        id: name(work.part.id, 'plug', opening),
        kind: 'plug',
        part: work.part.id,
        opening,
        count: work.part.count,
        closing,
        material: CLOSING_MATERIALS[closing.code],
        techniques: [],
        doubts: [],
        after: [],
        layMin: closingMin(closing, problem.model) * work.part.count,
        pullMin: openingMin(closing) * work.part.count,
      })),
    );
}
