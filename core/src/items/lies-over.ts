import type { BackingItem, LineItem } from '../contract';
import { boxesMeet } from '../curves';
import { PULL_TIMINGS } from '../finish';
import { type ItemId, mergeIntervals, type PartId } from '../kit';
import {
  distanceInBand,
  type Doubt,
  type LayMethod,
  pieceAlong,
  placeBand,
  type PlacedTapeBand,
  samplesInBand,
} from '../runs';
import type { PartWork } from '../setout';
import type { StageItems } from './items';
import { tapesInLayingOrder } from './lists';
import { ITEM_RULES } from './rules-of-thumb';

type LaidTape = LineItem | BackingItem;

/** A tape where it lies. */
interface Lying {
  readonly item: LaidTape;
  readonly band: PlacedTapeBand;
  /** Tapes below it. */
  readonly after: Set<ItemId>;
  /** Stretches of its line along which it ends against others, and where the first of each is. */
  readonly stops: (readonly [from: number, to: number])[];
  /** The same where it ends against line tapes that come off before it. */
  readonly clears: (readonly [from: number, to: number])[];
  /** Where too many lie below it and none of them can end before: how many with it, and where. */
  tooMany: { readonly layers: number; readonly atMm: number } | null;
}

/**
 * Finds which tapes lie over which and what follows: upper ones are applied after the lower ones and removed before
 * them; if more than three would overlap, a backing ends at the others; a tape that has to come off from under
 * another is reported.
 * Cut film, surroundings and covers are left out.
 * @returns the same items, in the same order
 */
export function withLiesOver(stages: readonly StageItems[], works: readonly PartWork[]): StageItems[] {
  const byPart = new Map<PartId, LaidTape[]>();
  for (const stage of stages)
    for (const item of tapesInLayingOrder(stage)) byPart.set(item.part, [...(byPart.get(item.part) ?? []), item]);
  const lying = new Map(works.flatMap((work) => [...lyingOn(work, byPart.get(work.part.id) ?? [])]));
  const withFollowing = <I extends LaidTape>(item: I): I => withWhatFollows(item, lying);
  return stages.map((stage) => ({
    ...stage,
    lines: stage.lines.map(withFollowing),
    backings: stage.backings.map(withFollowing),
  }));
}

/** What was last found on a part, by its lines: while neither they nor its tapes change it is not looked for again. */
const weakMap = new WeakMap<PartWork['lines'], { readonly key: string; readonly lying: ReadonlyMap<ItemId, Lying> }>();

/** The tapes of a part in the order of laying, each with what lies below it. */
function lyingOn(work: PartWork, items: readonly LaidTape[]): ReadonlyMap<ItemId, Lying> {
  const key = JSON.stringify(
    items.map((item) => [
      item.id,
      item.kind,
      item.stage,
      item.until.stage,
      item.until.early,
      item.until.turn,
      item.until.uncover,
      item.line,
      item.from,
      item.to,
      item.side,
      item.widthMm,
      item.tapeKind,
      item.after,
      offsetOf(item),
    ]),
  );
  const known = weakMap.get(work.lines);
  if (known?.key === key) return known.lying;
  const lying = new Map<ItemId, Lying>();
  for (const item of items) {
    const lyingItem = lyingAs(item, work);
    if (!lyingItem) continue;
    layOver(lyingItem, [...lying.values()]);
    lying.set(item.id, lyingItem);
  }
  weakMap.set(work.lines, { key, lying });
  return lying;
}

const offsetOf = (item: LaidTape): number => (item.kind === 'backing' ? item.offsetMm : 0);

/** Where an item lies; null where that is not known. */
function lyingAs(item: LaidTape, work: PartWork): Lying | null {
  if (item.widthMm <= 0 || item.tapeKind === 'T') return null;
  const piece = pieceAlong(work, item);
  const innerMm = offsetOf(item);
  return {
    item,
    band: placeBand({
      piece,
      side: item.side,
      innerMm,
      outerMm: innerMm + item.widthMm,
      metric: work.setOut.board.drawn.metric,
    }),
    after: new Set(item.after),
    stops: [],
    clears: [],
    tooMany: null,
  };
}

/** Finds what lies below a tape when it is laid. */
function layOver(upper: Lying, lying: readonly Lying[]): void {
  const { item, band } = upper;
  const near = lying.filter(
    ({ item: lower, band: below }) => lower.until.stage >= item.stage && bandsMeet(band, below),
  );
  if (near.length === 0) return;
  for (const { at, places } of samplesInBand(band))
    for (const place of places) {
      const below = near.flatMap((lower) => {
        const along = distanceInBand(lower.band, place);
        return along === null || [...lower.stops, ...lower.clears].some(([from, to]) => along >= from && along <= to)
          ? []
          : [{ lower, along }];
      });
      // What carries a cover stays when line tapes come off: it ends at them.
      if (item.kind === 'backing' && below.some(({ lower }) => comesBefore(lower.item, item))) {
        upper.clears.push([at - band.outerMm, at + band.outerMm]);
        continue;
      }
      for (const { lower } of below) upper.after.add(lower.item.id);
      if (below.length >= ITEM_RULES.mostLayers) endOne(upper, at, below);
    }
}

/** Where one more layer would exceed the maximum, the uppermost backing ends; if there is none, this is reported. */
function endOne(
  upper: Lying,
  endIndex: number,
  below: readonly { readonly lower: Lying; readonly along: number }[],
): void {
  const reach = upper.band.outerMm;
  if (upper.item.kind === 'backing') {
    upper.stops.push([endIndex - reach, endIndex + reach]);
    return;
  }
  const backing = below.findLast(({ lower: { item } }) => item.kind === 'backing' && item.stage === upper.item.stage);
  if (backing) backing.lower.stops.push([backing.along - reach, backing.along + reach]);
  else
    upper.tooMany = {
      layers: Math.max(below.length + 1, upper.tooMany?.layers ?? 0),
      atMm: upper.tooMany?.atMm ?? endIndex,
    };
}

const bandsMeet = (band: PlacedTapeBand, other: PlacedTapeBand): boolean =>
  boxesMeet(band.box, other.box, band.reachDrawnMm + other.reachDrawnMm);

/** True where one comes off in an earlier pull than another. */
const comesBefore = ({ until: one }: LaidTape, { until: other }: LaidTape): boolean =>
  one.stage !== other.stage
    ? one.stage < other.stage
    : one.uncover !== other.uncover
      ? other.uncover === true
      : turnOf(one) !== turnOf(other)
        ? turnOf(one) < turnOf(other)
        : (one.turn ?? 0) < (other.turn ?? 0);

const turnOf = ({ early }: LaidTape['until']): number =>
  early === undefined ? PULL_TIMINGS.length : PULL_TIMINGS.indexOf(early);

/** An item with what lies below it, where it ends, and its doubts. */
function withWhatFollows<I extends LaidTape>(item: I, lying: ReadonlyMap<ItemId, Lying>): I {
  const lyingItem = lying.get(item.id);
  if (!lyingItem) return item;
  const earlier = [...lyingItem.after]
    .flatMap((id) => lying.get(id)?.item ?? [])
    .find((lower) => comesBefore(lower, item));
  const doubts: Doubt[] = [
    ...(lyingItem.tooMany ? [{ code: 'doubt.build-up' as const, values: lyingItem.tooMany }] : []),
    ...(earlier
      ? [
          {
            code: 'doubt.over-earlier' as const,
            values: { stage: earlier.until.stage, ...(earlier.until.early ? { early: earlier.until.early } : {}) },
          },
        ]
      : []),
  ];
  const [ends, clears] = [endsOf(item, lyingItem.stops), endsOf(item, lyingItem.clears)];
  const short: LayMethod[] = [];
  if (ends.length > 0)
    short.push({
      code: 'technique.stop-short',
      values: { atMm: ends, layers: ITEM_RULES.mostLayers, backing: item.kind === 'backing' },
    });
  if (clears.length > 0) short.push({ code: 'technique.end-clear', values: { atMm: clears } });
  if (doubts.length + short.length === 0 && lyingItem.after.size === item.after.length) return item;
  return {
    ...item,
    after: [...lyingItem.after],
    techniques: [...item.techniques, ...short],
    doubts: [...item.doubts, ...doubts],
  };
}

/** Where an item ends against others: the middle of each stretch, within its line. */
function endsOf(item: LaidTape, stops: Lying['stops']): number[] {
  return mergeIntervals(stops).map(([from, to]) => (Math.max(from, item.from) + Math.min(to, item.to)) / 2);
}
