import { type Finish, isSprayed } from '../finish';
import { minOf, RULE_OF_THUMB } from '../kit';
import { isBacked, partsInReach } from '../masking';
import { compatibilityOf } from '../over';
import {
  coatingMin,
  type Cover,
  coverMin,
  coverOver,
  dripPaper,
  type EdgeCost,
  edgeCost,
  filmTimes,
  finishesInUse,
  finishOf,
  marksOfFilm,
  marksOfPresent,
  memoizedCoats,
  mixMinutes,
  type OrderProblem,
  type Progress,
  type StageCost,
  type TapeEdge,
  uncoverMin,
  unplugMinOf,
  wholePartCover,
} from '../stage';
import { type OuterCharges, outerCharges } from './outer-charges';

/** What may lie below an area when it is sprayed: a finish by its number, or what was there at the start. */
export type BelowIndex = number;
export const EXISTING_FINISH: BelowIndex = -1;

/** Work no age of the lower film can spare, before a finish goes over it. */
interface LeastOver {
  /** Minutes for the area, and for the stage as a whole. */
  readonly minutes: number;
  readonly fixed: number;
}

interface PricedBorder {
  readonly a: number;
  readonly b: number;
  readonly rough: EdgeCost;
  /** Where it stays, without a backing. */
  readonly crisp: EdgeCost;
  /** Where it stays and is sprayed, with `a` covered and with `b` covered. */
  readonly sprayed: readonly [EdgeCost, EdgeCost];
  /** What hangs along it against drips. */
  readonly paper: Cover;
}

/** Data of one part. A border between two parts is in neither: bounds do without it. */
interface PartTable {
  readonly areas: readonly number[];
  readonly edges: readonly PricedBorder[];
  readonly finishes: number;
  /** True where nothing that hangs on it lies on a line tape: what covers it comes off after the pull. */
  readonly hangsBehind: boolean;
}

/** A problem laid out for the search: numbers instead of names. */
export interface ProblemTable {
  readonly problem: OrderProblem;
  /** Where the search starts: after the primer, if there is one. */
  readonly start: Progress;
  readonly finishes: readonly Finish[];
  /** Number of the finish of each area; -1: kept. */
  readonly own: readonly number[];
  /** Number of the finish a kept area already has; -1: none of the job. */
  readonly alike: readonly number[];
  /** Areas of each finish, how large they are together, m², and what a coat takes on them, minutes. */
  readonly areasOf: readonly (readonly number[])[];
  readonly sizeOf: readonly number[];
  readonly coatingOf: readonly number[];
  /** By finish: rolled or brushed, so that only what lies beside it is covered. */
  readonly drips: readonly boolean[];
  /** What fading it out takes, minutes; 0 where it fades out nowhere. */
  readonly blendOf: readonly number[];
  /** By finish: parts that get none of it but are within reach of its spray, and what covers each. */
  readonly reached: readonly ReadonlyMap<number, Cover>[];
  /** Charges of masks on kept areas. */
  readonly outer: OuterCharges;
  /** Number of the part of each area. */
  readonly part: readonly number[];
  /** Areas and borders of each part, and which finishes it gets, as bits. */
  readonly parts: readonly PartTable[];
  /** Areas beside each area, one for every border they share. */
  readonly beside: readonly (readonly number[])[];
  /** Crisp and rough cost of each border, and of each strip. */
  readonly edges: readonly PricedBorder[];
  readonly strips: readonly ({ readonly crisp: EdgeCost; readonly rough: EdgeCost } | null)[];
  /** What is pinned: 1 open, 0 covered, -1 free; by finish and area. */
  readonly pins: readonly Int8Array[];
  /** Finishes that must have been sprayed before each, as bits. */
  readonly needs: readonly number[];
  /** Coats of a finish on an area over each possible finish below. */
  readonly coats: (finish: number, area: number, below: BelowIndex) => number;
  /** @param ageMin age the lower film has at least, whole minutes */
  readonly leastOver: (finish: number, area: number, below: BelowIndex, ageMin?: number) => LeastOver;
  /**
   * True if the first is certainly covered while the second goes on: they share a part, or meet where only drips
   * fall.
   */
  readonly share: (first: number, second: number) => boolean;
  /** Work of taking off covers and opening what is closed, in the window of a stage, at most, minutes. */
  readonly mostUncoverMin: number;
  /** Cached stages, by all choices up to them. */
  readonly worked: Map<string, StageCost>;
}

/** Lays out a problem. */
export function problemTable(problem: OrderProblem, start: Progress): ProblemTable {
  const ids = finishesInUse(problem);
  const finishes = ids.map((id) => finishOf(problem, id));
  const { areas, borders, model, rules } = problem;
  const partNames = [...new Set(areas.map(({ part }) => part))];
  const finishOfArea = areas.map(({ finish }) => (finish === null ? -1 : ids.indexOf(finish)));
  const part = areas.map((area) => partNames.indexOf(area.part));
  const areasOf = finishes.map((_, finish) => finishOfArea.flatMap((owner, area) => (owner === finish ? [area] : [])));
  const partsOf = areasOf.map((areaList) => new Set(areaList.map((area) => part[area]!)));
  const both = (edge: TapeEdge) => ({
    crisp: edgeCost(edge, { crisp: true, backed: false }, model),
    rough: edgeCost(edge, { crisp: false, backed: false }, model),
  });
  const sprayedCost = (border: OrderProblem['borders'][number], closed: number) =>
    edgeCost(border, { crisp: true, backed: isBacked(border, closed, 'crisp', true) }, model);
  const edges = borders.map((border): PricedBorder => ({
    a: border.a,
    b: border.b,
    paper: dripPaper(border),
    ...both(border),
    sprayed: [sprayedCost(border, border.a), sprayedCost(border, border.b)],
  }));
  const drips = finishes.map((finish) => !isSprayed(finish));
  const meets = (first: number, second: number) =>
    borders.some(
      ({ a, b }) =>
        (finishOfArea[a] === first && finishOfArea[b] === second) ||
        (finishOfArea[a] === second && finishOfArea[b] === first),
    );
  return {
    problem,
    start,
    finishes,
    own: finishOfArea,
    areasOf,
    sizeOf: areasOf.map((areaList) => areaList.reduce((sum, area) => sum + areas[area]!.sizeM2, 0)),
    coatingOf: areasOf.map((areaList, finish) =>
      areaList.reduce((sum, area) => sum + coatingMin(areas[area]!, finishes[finish]!.method), 0),
    ),
    drips,
    blendOf: areasOf.map((areaList) => (areaList.some((area) => areas[area]!.blend) ? RULE_OF_THUMB.blend : 0)),
    reached: finishes.map(({ method }, finish) => {
      const ownNames = new Set([...partsOf[finish]!].map((partIndex) => partNames[partIndex]!));
      return new Map(
        partsInReach(problem.attached, ownNames, method).map((name) => [
          partNames.indexOf(name),
          wholePartCover(areas, name),
        ]),
      );
    }),
    outer: outerCharges(problem, start, { own: finishOfArea, part, partNames }),
    alike: areas.map(({ alike }) => (alike === null ? -1 : ids.indexOf(alike))),
    part,
    parts: partNames.map((_, number) => ({
      areas: part.flatMap((partIndex, area) => (partIndex === number ? [area] : [])),
      edges: edges.filter(({ a, b }) => part[a] === number && part[b] === number),
      finishes: finishOfArea.reduce(
        (bits, finish, area) => (part[area] === number && finish >= 0 ? bits | (1 << finish) : bits),
        0,
      ),
      hangsBehind: hangsBehind(problem, partNames[number]!),
    })),
    mostUncoverMin: mostUncoverMin(problem),
    beside: besideEach(areas.length, borders),
    edges,
    strips: areas.map(({ strip }, area) => strip && leastOf([strip, ...linesOf(borders, area)].map(both))),
    pins: ids.map((id) => pinsOf(problem, id)),
    needs: ids.map((id) =>
      rules.before.reduce(
        (bits, { first, then }) => (then === id && ids.includes(first) ? bits | (1 << ids.indexOf(first)) : bits),
        0,
      ),
    ),
    coats: coatsTable(finishes, start),
    leastOver: leastOverOf(problem, start, finishes, part, partsOf),
    share: (first, second) =>
      drips[second]! ? meets(first, second) : [...partsOf[first]!].some((partIndex) => partsOf[second]!.has(partIndex)),
    worked: new Map(),
  };
}

const linesOf = (borders: OrderProblem['borders'], area: number): OrderProblem['borders'] =>
  borders.filter(({ a, b, rim }) => !rim && (a === area || b === area));

/** At least one tape lies along a covered strip: its own where all beside it is open, else one along a line that is. */
function leastOf(prices: readonly { readonly crisp: EdgeCost; readonly rough: EdgeCost }[]): {
  readonly crisp: EdgeCost;
  readonly rough: EdgeCost;
} {
  const least = (form: 'crisp' | 'rough'): EdgeCost => {
    const figure = (name: keyof EdgeCost) => minOf(prices.map((price) => price[form][name]));
    return {
      layMin: figure('layMin'),
      sealMin: figure('sealMin'),
      pullMin: figure('pullMin'),
      tapeM: figure('tapeM'),
      risk: figure('risk'),
      money: figure('money'),
      backingLayMin: 0,
      backingPullMin: 0,
    };
  };
  return { crisp: least('crisp'), rough: least('rough') };
}

/** True where every line of a part has a backing below its tape, whichever side of it is covered, and no finish fades out. */
const hangsBehind = ({ areas, borders }: OrderProblem, part: string): boolean =>
  areas.every((area) => area.part !== part || !area.blend) &&
  borders.every(({ a, b, rim, makesLine, sides }) => {
    if (areas[a]!.part !== part && areas[b]!.part !== part) return true;
    if (rim) return makesLine !== true;
    return sides !== undefined && sides.every(({ backed, over }) => backed && over !== true);
  });

const mostUncoverMin = (problem: OrderProblem): number =>
  problem.areas.reduce(
    (sum, area) => sum + (hangsBehind(problem, area.part) ? 0 : uncoverMin(coverOver(area))),
    [...problem.plugs.keys()].reduce((sum, part) => sum + unplugMinOf(problem, part), 0),
  );

function besideEach(count: number, borders: OrderProblem['borders']): number[][] {
  const beside = Array.from({ length: count }, (): number[] => []);
  for (const { a, b } of borders) {
    beside[a]!.push(b);
    beside[b]!.push(a);
  }
  return beside;
}

/** Used in the inner loop of the search: looked up by number. */
function coatsTable(finishes: readonly Finish[], { colours }: Progress): ProblemTable['coats'] {
  const overFinish = finishes.map((finish) => finishes.map(({ colour }) => memoizedCoats(finish, colour).coats));
  const overPresent = finishes.map((finish) => colours.map((colour) => memoizedCoats(finish, colour).coats));
  return (finish, area, below) =>
    below === EXISTING_FINISH ? overPresent[finish]![area]! : overFinish[finish]![below]!;
}

function pinsOf({ areas, rules }: OrderProblem, id: string): Int8Array {
  const pins = new Int8Array(areas.length).fill(-1);
  for (const { finish, area, open } of rules.pins) if (finish === id && area < pins.length) pins[area] = open ? 1 : 0;
  return pins;
}

const NOTHING: LeastOver = { minutes: 0, fixed: 0 };

/** Work that is certain whatever the age: the film is past its limit once it takes tape, or needs a barrier at any age. */
function leastOverOf(
  problem: OrderProblem,
  start: Progress,
  finishes: readonly Finish[],
  part: readonly number[],
  partsOf: readonly ReadonlySet<number>[],
) {
  const ages = new Map<number, (LeastOver | undefined)[]>();
  return (finish: number, area: number, below: BelowIndex, ageMin = 0): LeastOver => {
    if (below === EXISTING_FINISH && start.films[area]) return NOTHING;
    const known = ages.get(ageMin) ?? [];
    if (known.length === 0) ages.set(ageMin, known);
    const key = (finish * part.length + area) * (finishes.length + 1) + below + 1;
    const certainAge = below === EXISTING_FINISH || (isSprayed(finishes[finish]!) && partsOf[below]!.has(part[area]!));
    return (known[key] ??= certainOver(problem, finishes, finish, area, below, certainAge, ageMin));
  };
}

function certainOver(
  problem: OrderProblem,
  finishes: readonly Finish[],
  finish: number,
  area: number,
  below: BelowIndex,
  certainAge: boolean,
  leastAge: number,
): LeastOver {
  const { presentSystem, presentAgeMin, sizeM2, keyed } = problem.areas[area]!;
  const upper = finishes[finish]!;
  const lower = below === EXISTING_FINISH ? presentSystem : finishes[below]!.system;
  if (lower === null || problem.rules.vouched.some((pair) => pair.lower === lower && pair.upper === upper.system))
    return NOTHING;
  const marks = below === EXISTING_FINISH ? marksOfPresent(problem, lower) : marksOfFilm(problem, finishes[below]!, 1);
  const covered =
    certainAge && below !== EXISTING_FINISH
      ? filmTimes(problem, finishes[below]!, 1).tapeSafeMin + leastBetween(problem, finishes[below]!, upper, area)
      : 0;
  const ageMin = below === EXISTING_FINISH ? presentAgeMin : Math.max(covered, leastAge);
  const { answer } = compatibilityOf({ marks, ageMin, known: below !== EXISTING_FINISH }, upper.system);
  if (below === EXISTING_FINISH && keyed && answer === 'abrade') return NOTHING;
  const opensAgain = marks.recoat.some(({ fromMin }) => fromMin > ageMin);
  const evenOld = compatibilityOf({ marks, ageMin: Infinity, known: below !== EXISTING_FINISH }, upper.system).answer;
  if (answer === 'abrade' && evenOld === 'abrade' && !opensAgain)
    return { minutes: sizeM2 * RULE_OF_THUMB.abradePerSquareMetre, fixed: RULE_OF_THUMB.abradeFixed };
  if (answer === 'barrier')
    return { minutes: sizeM2 * RULE_OF_THUMB.sprayPerSquareMetre[upper.method], fixed: RULE_OF_THUMB.perCoat };
  return NOTHING;
}

/** Least work between the moment a colour takes tape and the next coat on its part: its own areas are covered, the paint is mixed. */
function leastBetween({ areas }: OrderProblem, below: Finish, upper: Finish, area: number): number {
  const covered = areas.filter(
    ({ finish, part, strip, narrow }) =>
      finish === below.id && part === areas[area]!.part && strip === null && narrow === undefined,
  );
  return Math.max(0, ...covered.map((other) => coverMin(coverOver(other)))) + mixMinutes(upper);
}
