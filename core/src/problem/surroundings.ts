import { cornerDistances, type Path, pathLength, pathSlice } from '../curves';
import type { FinishMethod } from '../finish';
import { contextInterval, type Design, type EdgeContext, neighbourPart, surroundingsOf } from '../job';
import { areaRef, maxOf, RULE_OF_THUMB, sumOf } from '../kit';
import { type EdgeClass, gapMasking, hasOutlineTape, SURROUNDINGS_ID, surroundingsM2 } from '../masking';
import { longestCleanOnSurroundings, type MaskedSurroundings, type MaskingMeans } from '../runs';
import { edgePath, type OutlineStretch, outlineStretches, type PartPlan, type PartWork } from '../setout';
import type { OrderArea, OrderBorder, OrderProblem } from '../stage';
import type { EdgeName } from '../surface';
import { bendOf } from './bend-class';
import { partOffsets } from './part-offsets';

/** A stretch of an outline that is masked if exactly one of its two sides is painted. */
export interface SurroundingsPlace extends OutlineStretch {
  /** Number of the part. */
  readonly part: number;
  readonly rim: EdgeContext;
  /** Length of the whole edge, mm; the interval of the edge this applies to; and this stretch as a line. */
  readonly edgeMm: number;
  readonly span: readonly [from: number, to: number];
  readonly path: Path;
  /** What lies beyond it, by its number among the areas of the problem. */
  readonly other: number;
  /** True where it is masked only while its own area is painted: the other part masks the gap between them else. */
  readonly oneWay: boolean;
}

/** What lies beyond the parts of a job: areas that are never painted, and where the parts meet them or one another. */
export interface SurroundingsProblem {
  readonly places: readonly SurroundingsPlace[];
  readonly areas: readonly OrderArea[];
  /** One for each place. */
  readonly borders: readonly OrderBorder[];
}

/** A place before what is beyond is known. */
type OwnPlace = Omit<SurroundingsPlace, 'part' | 'other' | 'oneWay'>;

const NOTHING: SurroundingsProblem = { places: [], areas: [], borders: [] };

/**
 * Lays out the surroundings of all parts. What lies beyond is numbered after the areas of all parts.
 * @param areas those of all parts, in order of the parts
 * @param methodsOf application methods of the finishes of a part
 */
export function surroundingsProblem(
  works: readonly PartWork[],
  areas: readonly OrderArea[],
  design: Design,
  methodsOf: (part: string) => readonly FinishMethod[],
): SurroundingsProblem {
  const placesOfPart = works.map((work) => placesOn(work, design.parts));
  if (placesOfPart.every(({ length }) => length === 0)) return NOTHING;
  const starts = partOffsets(works).areas;
  const lengthOf = (part: number) =>
    works[part]!.part.count *
    sumOf(placesOfPart[part]!, ({ rim, from, to }) => (neighbourPart(rim) === null ? to - from : 0));
  const all = sumOf([...works.keys()], lengthOf);
  const beyond: OrderArea[] = [];
  const places: SurroundingsPlace[] = [];
  works.forEach(({ part }, number) => {
    const edgeMm = lengthOf(number);
    const bodyM2 = design.bodyM2 ?? RULE_OF_THUMB.bodyM2[design.kind];
    const sizeM2 = surroundingsM2({ edgeMm, allEdgesMm: all, methods: methodsOf(part.id), bodyM2 });
    const outside = areas.length + beyond.length;
    if (edgeMm > 0) beyond.push(beyondArea(part, sizeM2, edgeMm / 1000));
    for (const place of placesOfPart[number]!) {
      const to = neighbourPart(place.rim);
      const met = works.findIndex((work) => work.part.id === to);
      if (to !== null && met < 0) continue;
      const gap = place.rim.beyond === 'gap';
      // If both parts describe where they meet, the first one counts: it masks a gap between them whenever it is
      // painted.
      const later = met >= 0 && met < number && placesOfPart[met]!.some(({ rim }) => neighbourPart(rim) === part.id);
      const inward = met < 0 || (gap && !later && edgeMm > 0);
      if (later && !gap) continue;
      const sides = inward
        ? [{ ...place, other: outside }]
        : metBeside(
            place,
            placesOfPart[met]!,
            works[met]!,
            part.id,
            edgesTowards(placesOfPart[number]!, to!),
            starts[met]!,
          );
      places.push(
        ...sides.map((side) => ({ ...side, part: number, area: starts[number]! + place.area, oneWay: gap && later })),
      );
    }
  });
  return { places, areas: beyond, borders: places.map((place) => borderOf(place, works[place.part]!.part.count)) };
}

/** The stretches of the outline of a part that are not free. */
function placesOn({ part, setOut, arrangement }: PartWork, parts: Design['parts']): OwnPlace[] {
  const { rims: all, mirrored } = surroundingsOf(part, parts);
  const rims = all.filter(({ beyond }) => beyond !== 'free');
  if (rims.length === 0) return [];
  const skin = setOut.board.drawn;
  const stretches = outlineStretches(skin, arrangement);
  return rims.flatMap((rim) => {
    const whole = edgePath(skin, rim.edge);
    if (!whole) return [];
    const edgeMm = pathLength(whole);
    const [start, end] = contextInterval(rim, edgeMm);
    const span = mirrored ? ([edgeMm - end, edgeMm - start] as const) : ([start, end] as const);
    return stretches.flatMap((stretch) => {
      const [from, to] = [Math.max(stretch.from, span[0]), Math.min(stretch.to, span[1])];
      const path = stretch.edge === rim.edge && to > from ? pathSlice(whole, from, to) : null;
      return path ? [{ ...stretch, from, to, rim, edgeMm, span, path }] : [];
    });
  });
}

/** Edges of a part that meet another, in order. */
const edgesTowards = (places: readonly OwnPlace[], other: string): number[] => [
  ...new Set(places.flatMap(({ edge, rim }) => (neighbourPart(rim) === other ? [edge] : []))),
];

/** Ends of areas on both sides of where parts meet that lie no further apart are one, mm. */
const SAME_END_MM = 15;

/**
 * A stretch of an outline, divided by the areas of the other part it meets. The two edges run in opposite
 * directions; if the other part does not describe the joint, its largest area is used.
 */
function metBeside(
  place: OwnPlace,
  theirs: readonly OwnPlace[],
  { arrangement }: PartWork,
  from: string,
  ownEdges: readonly number[],
  start: number,
): (OwnPlace & Pick<SurroundingsPlace, 'other'>)[] {
  const edges = edgesTowards(theirs, from);
  // If the two meet along several edges, the first of one is the last of the other.
  const facing = theirs.filter(
    ({ edge }) => edge === edges.at(-1 - (ownEdges.indexOf(place.edge) % Math.max(1, edges.length))),
  );
  const snapped = (along: number) =>
    [place.from, place.to].find((end) => Math.abs(end - along) <= SAME_END_MM) ?? along;
  const matching = facing.flatMap((facingPlace) => {
    const [ours, other] = [place.span, facingPlace.span];
    const across = (along: number) =>
      snapped(ours[1] - ((ours[1] - ours[0]) * (along - other[0])) / (other[1] - other[0]));
    const [fromMm, toMm] = [Math.max(place.from, across(facingPlace.to)), Math.min(place.to, across(facingPlace.from))];
    const path = pathSlice(place.path, fromMm, toMm);
    return path && toMm - fromMm > SAME_END_MM / 2
      ? [{ ...place, from: fromMm, to: toMm, path, other: start + facingPlace.area }]
      : [];
  });
  if (matching.length > 0) return matching;
  const sizes = arrangement.areas.map(({ sizeMm2 }) => sizeMm2);
  return [{ ...place, other: start + Math.max(0, sizes.indexOf(maxOf(sizes))) }];
}

const beyondArea = ({ id, count }: PartWork['part'], sizeM2: number, edgeM: number): OrderArea => ({
  id: areaRef(id, SURROUNDINGS_ID),
  area: SURROUNDINGS_ID,
  code: SURROUNDINGS_ID,
  part: id,
  count,
  sizeM2,
  bagM2: Math.max(0, sizeM2 - edgeM * RULE_OF_THUMB.pressedM),
  narrowM: null,
  present: '#808080',
  presentSystem: null,
  presentAgeMin: 0,
  keyed: false,
  finish: null,
  alike: null,
  blend: false,
  strip: null,
});

const borderOf = ({ area, other, path, oneWay, rim }: SurroundingsPlace, count: number): OrderBorder => ({
  a: area,
  b: other,
  rim: true,
  ...(rim.beyond === 'goes-on' ? { makesLine: true } : {}),
  ...(oneWay ? { oneWay } : {}),
  ...(hasOutlineTape(rim) ? { outlined: true } : {}),
  lengthM: (pathLength(path) / 1000) * count,
  pieces: count,
  setOutMin: 0,
  corners: cornerDistances(path).length * count,
  bend: bendOf(path),
  sealM: 0,
});

/**
 * A stretch of the surroundings, as needed for choosing its tape.
 * @param ownCovered its part is covered, and what is beyond it is painted
 * @param outlined the cover hangs from tape beside foam
 */
export const maskedSurroundingsOf = (
  { rim, path }: SurroundingsPlace,
  edgeClass: EdgeClass,
  { ownCovered, outlined }: { readonly ownCovered: boolean; readonly outlined: boolean },
): Omit<MaskedSurroundings, 'staysMin' | 'bondN25'> => ({
  beyond: rim.beyond as MaskedSurroundings['beyond'],
  gap: rim.beyond === 'gap' ? { widthMm: rim.width, by: gapMasking(rim) } : null,
  onOwnPart: ownCovered,
  outlined,
  path,
  class: edgeClass,
});

/** Maximum clean time of a tape along the surroundings; hours at 23 °C. */
export const longestCleanAtPlace = (place: SurroundingsPlace, edgeClass: EdgeClass, means: MaskingMeans): number =>
  longestCleanOnSurroundings(
    maskedSurroundingsOf(place, edgeClass, { ownCovered: false, outlined: hasOutlineTape(place.rim) }),
    means,
  );

/** Surroundings of one part as the plan contains them. */
export const surroundingsOfPart = (
  rims: readonly SurroundingsPlace[],
  part: number,
  { areas }: Pick<OrderProblem, 'areas'>,
): PartPlan['rims'] =>
  rims
    .filter((place) => place.part === part)
    .map(({ edge, rim, from, to, area, other, oneWay }) => ({
      edge,
      beyond: rim.beyond,
      from,
      to,
      area: areas[area]!.area,
      other: areas[other]!.id,
      oneWay,
    }));

/** What people call an edge, or what it is called on the drawing. */
export const edgeNameOf = ({ name }: EdgeContext, drawn: EdgeName): EdgeName =>
  name === undefined ? drawn : { code: 'edge.named', values: { name } };
