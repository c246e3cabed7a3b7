import type {
  ClosingTapeMessage,
  CoverItem,
  CoverPlaces,
  OpeningTapeItem,
  PlugItem,
  PlugValues,
  StagePlan,
} from '../contract';
import { isOpeningTape, plugsByPart, plugsIn, type StageItems } from '../items';
import { type AreaId, firstItem, type PartId, sumOf } from '../kit';
import { groupClosings, type MaskEdge, type OpeningMessage, SURROUNDINGS_ID } from '../masking';
import { partOffsets } from '../problem';
import type { Technique } from '../runs';
import type { PartPlan, PartWork } from '../setout';

/** Places part by part, named only where there is more than one part: `Deck A1, A3`. */
export function placesOf(
  places: readonly { readonly part: PartId; readonly area: AreaId }[],
  parts: readonly PartPlan[],
): string[] {
  const codes = new Map<string, string[]>();
  for (const { part, area } of places) codes.set(part, [...(codes.get(part) ?? []), codeOf(parts, part, area)]);
  return namedByPart(codes, parts);
}

/** Codes with their parts, each once. */
export function codesByPart(
  list: readonly { readonly part: PartId; readonly code: string }[],
  parts: readonly PartPlan[],
): string[] {
  const codes = new Map<string, Set<string>>();
  for (const { part, code } of list) codes.set(part, (codes.get(part) ?? new Set()).add(code));
  return namedByPart(codes, parts);
}

const namedByPart = (codes: ReadonlyMap<string, Iterable<string>>, parts: readonly PartPlan[]): string[] =>
  [...codes].map(([part, own]) => `${parts.length > 1 ? `${nameOf(parts, part)} ` : ''}${[...own].join(', ')}`);

/** Places of covers: areas, parts that are covered whole, and parts whose surroundings are covered, with the film that takes. */
export function coverPlaces(covers: readonly CoverItem[], parts: readonly PartPlan[]): CoverPlaces {
  const areas = covers.flatMap(({ part, area }) => (area === null || area === SURROUNDINGS_ID ? [] : [{ part, area }]));
  const round = covers.filter(({ area }) => area === SURROUNDINGS_ID);
  return {
    places: placesOf(areas, parts),
    ...(round.length === 0
      ? {}
      : { round: round.map(({ part }) => nameOf(parts, part)), roundM2: sumOf(round, ({ sizeM2 }) => sizeM2) }),
    wholes: covers.flatMap(({ part, area }) => (area === null ? [nameOf(parts, part)] : [])),
  };
}

/** Lines of edges, by their borders among those of all parts: `Deck 2, 5`. */
export function linesOf(
  edges: readonly Pick<MaskEdge, 'border'>[],
  works: readonly PartWork[],
  parts: readonly PartPlan[],
): string[] {
  const { borders } = partOffsets(works);
  const list = [...edges].map(({ border }) => {
    const index = borders.findLastIndex((start) => start <= border);
    const { part, arrangement, lines } = works[index]!;
    const { line } = arrangement.borders[border - borders[index]!]!;
    return { part: part.id, code: lines.find(({ id }) => id === line)?.code ?? line };
  });
  return codesByPart(list, parts);
}

/** True where tape has an edge that paint comes up to in a stage: along lines, the surroundings, or in openings. */
export const isMasked = (
  { number, covered }: Pick<StagePlan, 'number' | 'covered'>,
  { items }: { readonly items: readonly Pick<StageItems, 'closings' | 'rims'>[] },
): boolean =>
  covered.length > 0 ||
  items.some(({ closings, rims }) =>
    [...closings, ...rims].some(({ stage, until }) => stage <= number && until.stage >= number),
  );

/** How many plugs, and where. */
export function plugValues(plugs: readonly PlugItem[], parts: readonly PartPlan[]): PlugValues {
  const counts = plugsByPart(plugs);
  return {
    plugs: counts.reduce((sum, { count }) => sum + count, 0),
    places: counts.map(({ part, count }) => `${nameOf(parts, part)}: ${count}`),
    closings: groupClosings(plugs.map(({ closing }) => closing)),
  };
}

/** What has film on its base tape; elsewhere that tape closes the opening by itself. */
const FILM_ON_TAPE: readonly OpeningMessage['code'][] = ['opening.film', 'opening.box'];

/** What closes openings, with the tape for it: each tape by what it does, all openings together. */
export function closingValues(
  closings: readonly (PlugItem | OpeningTapeItem)[],
  parts: readonly PartPlan[],
): PlugValues {
  const tapes = closings.filter(isOpeningTape);
  const closingOf = new Map(plugsIn(closings).map(({ id, closing }) => [id, closing.code]));
  const useOf = ({ kind, closes }: OpeningTapeItem) =>
    kind === 'base' && !FILM_ON_TAPE.includes(closingOf.get(closes)!) ? 'alone' : kind;
  const keys = [...new Set(tapes.map((tape) => `${useOf(tape)} ${tape.material}`))];
  const needs = keys.map((key): ClosingTapeMessage => {
    const alike = tapes.filter((tape) => `${useOf(tape)} ${tape.material}` === key);
    const { material: tape } = firstItem(alike);
    return {
      code: `closing.${useOf(firstItem(alike))}`,
      values: { tape, lengthMm: sumOf(alike, ({ lengthMm, count }) => lengthMm * count) },
    };
  });
  const before = new Map(
    tapes.flatMap(({ techniques }) =>
      techniques.map(({ from: _, to: __, ...how }) => [how.code, how as Technique] as const),
    ),
  );
  return { ...plugValues(plugsIn(closings), parts), tapes: needs, before: [...before.values()] };
}

/** Name of a part. */
export const nameOf = (parts: readonly PartPlan[], id: string): string =>
  parts.find((part) => part.id === id)?.name ?? id;

const codeOf = (parts: readonly PartPlan[], part: PartId, area: AreaId): string =>
  parts.find(({ id }) => id === part)?.areas.find(({ id }) => id === area)?.code ?? area;
