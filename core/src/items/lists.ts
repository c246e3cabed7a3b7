import type {
  BackingItem,
  CoverItem,
  Item,
  LineItem,
  OpeningTapeItem,
  OwnItem,
  Plan,
  PlanLists,
  PlugItem,
  SeamItem,
  StagePlan,
  SurroundingsItem,
  TapeNeed,
} from '../contract';
import { finishesById, type Shelf } from '../job';
import { compareText, sumOf } from '../kit';
import { FOAM, PAPER } from '../masking';
import type { Sequence } from '../stage';
import { rollLengthM, type Tape } from '../tape';
import { costOf } from './cost';
import type { StageItems } from './items';
import { COVER_MATERIAL } from './own-pieces';
import { packsFor } from './packs';
import { sealedWithMaskM, supplyNeeds } from './supply-needs';

/** What to have ready, all stages together. */
export function listsOf(
  stages: readonly StagePlan[],
  items: readonly StageItems[],
  sequence: Sequence | undefined,
  shelf: Shelf,
): PlanLists {
  const laid = items.flatMap(inLayingOrder);
  const lines = laid.filter(isTape);
  const drape = stages.map(({ number }, index) => ({
    stage: number,
    sizeM2: sumOf(items[index]!.covers, sizeOf) + sumOf(items[index]!.own, sizeOf),
  }));
  const supplies = sequence ? supplyNeeds(laid, sealedWithMaskM(sequence), shelf.supplies ?? []) : [];
  const needs = {
    tape: tapeNeeds(laid, shelf.tapes),
    supplies,
    paint: stages.map(({ number, finish, paint }) => ({ stage: number, finish, ml: paint.ml })),
  };
  return {
    ...needs,
    drape: drape.filter(({ sizeM2 }) => sizeM2 > 0),
    plugs: plugsByPart(items.flatMap((item) => plugsIn(item.closings))),
    cost: costOf(needs, shelf, finishesById(shelf)),
    shopping: lines
      .filter(
        ({ material, techniques }) => material === null && !techniques.some(({ code }) => code === 'technique.own'),
      )
      .map(({ id }) => id),
  };
}

const sizeOf = ({ sizeM2 }: CoverItem | OwnItem): number => sizeM2;

/** Of what closes openings, what is counted in and out. */
export const plugsIn = (items: readonly Item[]): PlugItem[] => items.filter((item) => item.kind === 'plug');

/** How many openings are closed on each part. */
export function plugsByPart(plugs: readonly Pick<Item, 'part' | 'count'>[]): PlanLists['plugs'] {
  const counts = new Map<string, number>();
  for (const { part, count } of plugs) counts.set(part, (counts.get(part) ?? 0) + count);
  return [...counts].map(([part, count]) => ({ part, count }));
}

/** A piece of tape of any use. */
type TapeItem = LineItem | BackingItem | SeamItem | SurroundingsItem | OpeningTapeItem | OwnItem;

/** Tape that some items take, by its code, the most of it first. */
export function tapeNeeds(items: readonly Item[], tapes: readonly Tape[]): TapeNeed[] {
  const needs = new Map<string, { pieces: number; lengthM: number }>();
  const add = (material: string | null, lengthMm: number, pieces: number, count: number) => {
    if (material === null) return;
    const need = needs.get(material) ?? { pieces: 0, lengthM: 0 };
    needs.set(material, { pieces: need.pieces + pieces * count, lengthM: need.lengthM + (lengthMm / 1000) * count });
  };
  for (const item of items.filter(isTape)) {
    if (isLine(item) && item.guide) add(item.guide.material, item.guide.lengthMm, 1, item.count);
    if (!isLine(item) || item.sheetOf === null)
      add(item.material, item.lengthMm, 'pieces' in item ? item.pieces : 1, item.count);
  }
  return [...needs]
    .map(([code, need]) => ({
      tape: code,
      ...need,
      ...rollsFor(
        need.lengthM,
        tapes.find((tape) => tape.code === code),
      ),
    }))
    .sort((a, b) => b.lengthM - a.lengthM || compareText(a.tape, b.tape));
}

/** Rolls for a length of tape, and how many of them are missing. */
function rollsFor(lengthM: number, tape: Tape | undefined): Pick<TapeNeed, 'rolls' | 'missing'> {
  const { whole: rolls, missing } = packsFor(lengthM, tape ? rollLengthM(tape) : Infinity, tape?.rolls);
  return { rolls, missing };
}

/** What is laid for a stage of a plan, in laying order. */
export const itemsIn = ({ items }: Pick<Plan, 'items'>, { number }: Pick<StagePlan, 'number'>): Item[] =>
  items.filter(({ stage }) => stage === number);

/** The tape edges laid for a stage of a plan, in laying order. */
export const linesIn = (plan: Pick<Plan, 'items'>, stage: Pick<StagePlan, 'number'>): LineItem[] =>
  itemsIn(plan, stage).filter(isLine);

/** True for a piece of tape: along a line or the surroundings, a backing or a seam tape. */
export const isTape = (item: Item): item is TapeItem =>
  isLine(item) ||
  item.kind === 'backing' ||
  item.kind === 'seam' ||
  isOpeningTape(item) ||
  (item.kind === 'rim' && item.material !== FOAM && item.material !== PAPER) ||
  (item.kind === 'own' && item.material !== COVER_MATERIAL);

/** The backing of a line tape; null where it has none. */
export const backingOf = (line: LineItem, backings: readonly BackingItem[]): BackingItem | null =>
  backings.find(({ behind }) => behind === line.id) ?? null;

/** A line tape lies last where its backing lies below it. */
export const liesLast = (line: LineItem, backings: readonly BackingItem[]): boolean =>
  backingOf(line, backings)?.over === false;

/** Line tapes and backings of a stage in the order they are applied: tapes that carry covers, backings, then the line tapes over their edges. */
export const tapesInLayingOrder = ({
  lines,
  backings,
}: Pick<StageItems, 'lines' | 'backings'>): (LineItem | BackingItem)[] => [
  ...lines.filter((line) => !liesLast(line, backings)),
  ...backings,
  ...lines.filter((line) => liesLast(line, backings)),
];

/**
 * Items of a stage in the order they are applied: openings, surroundings, tapes that carry covers, backings, covers,
 * line tapes over the edges of backings, manual pieces.
 */
export const inLayingOrder = ({
  closings,
  rims,
  lines,
  backings,
  covers,
  own,
}: Omit<StageItems, 'cleanMin' | 'earlyCleanMin'>): Item[] => [
  ...closings,
  ...rims,
  ...lines.filter((line) => !liesLast(line, backings)),
  ...backings,
  ...covers,
  ...lines.filter((line) => liesLast(line, backings)),
  ...own,
];

/** True for tape that closes an opening: it goes in and comes out with what closes it. */
export const isOpeningTape = (item: Item): item is OpeningTapeItem =>
  item.kind === 'base' || item.kind === 'lip' || item.kind === 'cap';

/** True for a length of tape that makes an edge. */
export const isLine = (item: Item): item is LineItem => item.kind === 'line' || item.kind === 'soft';

/** The line whose shapes are all cut from one film; null for any other item. */
export function sheetLine({ techniques }: Pick<LineItem, 'techniques'>): string | null {
  const sheet = techniques.find(({ code }) => code === 'technique.cut-sheet');
  return sheet?.code === 'technique.cut-sheet' ? sheet.values.line : null;
}

/** What lies on the piece while a stage is sprayed: laid for it, or before it and still on. */
export const itemsLyingIn = <I extends Pick<Item, 'stage' | 'until'>>(
  items: readonly I[],
  stage: Pick<StagePlan, 'number'>,
): I[] => items.filter((item) => item.stage <= stage.number && item.until.stage >= stage.number);

/** Numbers of the stages whose masks are on while a stage is sprayed. */
export const masksOn = ({ items }: Pick<Plan, 'items'>, stage: Pick<StagePlan, 'number'>): number[] =>
  [
    ...new Set(
      itemsLyingIn(items, stage).flatMap((item) => (item.kind === 'plug' || isOpeningTape(item) ? [] : [item.stage])),
    ),
  ].sort((a, b) => a - b);
