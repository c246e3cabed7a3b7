import { type FinishMethod, isSprayed } from '../finish';
import { type BuiltBorder, isBacked } from './build-up';
import { type EdgeClass, edgeClass, type MaskArea, type MaskLaid, whenMaskLaid } from './edge-class';
import { MASK_STATE, type StandingMasks } from './mask-state';
import { partsInReach } from './reach';

/** Areas of all parts, and where two of them meet. */
export interface MaskProblem {
  readonly areas: readonly MaskArea[];
  /**
   * Indices of the areas; the two lie on one part, or meet at an edge. `oneWay`: an edge only if `a` is the open
   * one.
   */
  readonly borders: readonly (BuiltBorder & { readonly b: number; readonly oneWay?: boolean })[];
  /** Parts each part is attached to, both ways. */
  readonly attached: ReadonlyMap<string, readonly string[]>;
}

/** One stage as its mask sees it. */
export interface MaskStage {
  readonly method: FinishMethod;
  /** Which areas the paint reaches. */
  readonly open: readonly boolean[];
  /** Which have had their finish before this stage. */
  readonly painted: readonly boolean[];
  /** Masks that are still on; null: none is. */
  readonly standing: StandingMasks | null;
  /** Borders whose tape is still on, whatever was covered and opened again since. Left out: none. */
  readonly joints?: ReadonlySet<number>;
}

/** A border with paint on one side and cover on the other. */
export interface MaskEdge {
  /** Index of the border, of the open area and of the covered one. */
  readonly border: number;
  readonly free: number;
  readonly closed: number;
  readonly class: EdgeClass;
  readonly laid: MaskLaid;
  /** True where the tape that covers the area, a strip one tape wide, makes this edge along with its others. */
  readonly strip: boolean;
  /** True where a wider tape behind its line tape carries the cover. */
  readonly backed: boolean;
}

/** An area that no paint may reach: on a part that is sprayed, or beside what is rolled or brushed. */
interface MaskCover {
  readonly area: number;
  /** `tape`: by one tape of its width; `edges`: by the tapes along its edges; `drape`: by paper or film. */
  readonly by: 'tape' | 'edges' | 'drape';
  /** Of a strip: true where its tape makes a line that stays. */
  readonly crisp: boolean;
  readonly laid: MaskLaid;
  /** What is covered beside one another and laid together is under one sheet: the first area of it. */
  readonly sheet: number;
}

/** Everything that is masked in a stage. */
export interface StageMask {
  readonly edges: readonly MaskEdge[];
  readonly covers: readonly MaskCover[];
  /** Parts that are not sprayed, covered whole because overspray reaches them; they are covered for this stage alone. */
  readonly wholes: readonly string[];
  /** Only drips fall: what is covered is covered along its edges, by their tape or by paper hung from it. */
  readonly drips: boolean;
}

/**
 * Everything masked in a stage: the one source for its cost, the bound of the search, the pictures and the lay list.
 * On parts that are sprayed, a covered area needs an edge along every open area and a cover; a strip one tape wide
 * needs only that tape, a narrow one the tapes of its edges; attached parts in reach are covered whole. With a roller
 * only what lies beside the painted areas is covered; with a brush the tape along the edge is enough.
 * What is already covered by masks that stayed on is marked as laid before.
 */
export function maskOf(
  { areas, borders, attached }: MaskProblem,
  { open, painted, standing, joints, method }: MaskStage,
): StageMask {
  const laid = (area: number): MaskLaid => whenMaskLaid(standing && standing[area]!);
  // Tape along an area lies only where the area was open under it.
  const edgeLaid = (border: number, free: number, closed: number): MaskLaid => {
    // What lies under a mask is known per part; between parts only the border itself tells.
    if (areas[free]!.part !== areas[closed]!.part) return joints?.has(border) ? 'before' : 'now';
    return joints?.has(border) || standing?.[free] === MASK_STATE.open ? laid(closed) : 'now';
  };
  const drips = !isSprayed({ method });
  const alone = standingAlone(borders, open);
  const byEdges = (area: number) => method === 'brush' || (areas[area]!.narrow !== undefined && alone(area));
  const beside = new Set<number>();
  const edges: MaskEdge[] = [];
  const strips = new Map<number, boolean>();
  borders.forEach(({ a, b, rim, oneWay }, border) => {
    if (open[a] === open[b] || (oneWay && !open[a])) return;
    const [free, closed] = open[a] ? [a, b] : [b, a];
    beside.add(closed);
    const edgeType = edgeClass(areas[free]!, areas[closed]!, painted[closed]!);
    // One tape over a strip makes both its lines; it ends at the outline.
    const strip = areas[closed]!.strip !== null && !rim && alone(closed);
    if (strip) strips.set(closed, (strips.get(closed) ?? false) || edgeType === 'crisp');
    edges.push({
      border,
      free,
      closed,
      class: edgeType,
      laid: strip ? laid(closed) : edgeLaid(border, free, closed),
      strip,
      backed: !strip && !byEdges(closed) && isBacked(borders[border]!, closed, edgeType, !drips),
    });
  });
  const sprayed = new Set<string>();
  areas.forEach(({ part }, index) => open[index] && sprayed.add(part));
  const covers: MaskCover[] = [];
  areas.forEach(({ part }, area) => {
    if (open[area] || !(drips ? beside.has(area) : sprayed.has(part))) return;
    const strip = strips.get(area);
    const by = strip !== undefined ? 'tape' : byEdges(area) ? 'edges' : 'drape';
    covers.push({ area, by, crisp: strip ?? false, laid: laid(area), sheet: area });
  });
  return {
    edges,
    covers: onSheets({ areas, borders }, covers),
    wholes: partsInReach(attached, sprayed, method),
    drips,
  };
}

/**
 * Whether an area is bordered by open ones alone. Where it is, tapes along its lines may cover it; what is covered
 * beside it is one with it.
 */
function standingAlone(borders: MaskProblem['borders'], open: readonly boolean[]): (area: number) => boolean {
  const neighbours = neighboursOf(borders);
  return (area) => neighbours.get(area)?.every((other) => open[other]) ?? false;
}

/** Masks on kept areas may stay on when the others come off. */
const staysAlike = (area: MaskArea, other: MaskArea): boolean => mayStay(area) === mayStay(other);
const mayStay = (area: MaskArea): boolean => isKeptForGood(area) && area.strip === null;

/** Covers with the sheet each is under: paper or film reaches over what is covered beside it. */
function onSheets(
  { areas, borders }: Pick<MaskProblem, 'areas' | 'borders'>,
  covers: readonly MaskCover[],
): readonly MaskCover[] {
  const hung = new Map(covers.flatMap((cover) => (cover.by === 'drape' ? [[cover.area, cover] as const] : [])));
  if (hung.size < 2) return covers;
  const neighbours = neighboursOf(borders);
  const sheetOf = new Map<number, number>();
  for (const [start, { laid }] of hung) {
    if (sheetOf.has(start)) continue;
    sheetOf.set(start, start);
    const reached = [start];
    for (const area of reached)
      for (const other of neighbours.get(area) ?? [])
        if (!sheetOf.has(other) && hung.get(other)?.laid === laid && staysAlike(areas[start]!, areas[other]!)) {
          sheetOf.set(other, start);
          reached.push(other);
        }
  }
  return covers.map((cover) => ({ ...cover, sheet: sheetOf.get(cover.area) ?? cover.area }));
}

const known = new WeakMap<MaskProblem['borders'], ReadonlyMap<number, readonly number[]>>();

/** Areas beside each area of the same part; cached. */
function neighboursOf(borders: MaskProblem['borders']): ReadonlyMap<number, readonly number[]> {
  const cached = known.get(borders);
  if (cached) return cached;
  const found = new Map<number, number[]>();
  const add = (area: number, other: number) => found.set(area, [...(found.get(area) ?? []), other]);
  for (const { a, b, rim } of borders) {
    if (rim) continue;
    add(a, b);
    add(b, a);
  }
  known.set(borders, found);
  return found;
}

/** A mask that stays on when the rest of its stage comes off, and that rest. */
export interface SplitMask {
  readonly inner: StageMask;
  /** By part. */
  readonly outer: ReadonlyMap<string, StageMask>;
}

/**
 * Splits off the part of a mask that stays on for the next coats beside it: what is laid now on kept areas of some
 * parts.
 * What was laid before and stays on is in neither half; nor are parts covered whole, which are uncovered after every
 * stage.
 * @param through the parts whose masks on kept areas stay on
 */
export function splitMask(
  { areas }: Pick<MaskProblem, 'areas'>,
  mask: StageMask,
  through: ReadonlySet<string>,
): SplitMask {
  if (through.size === 0) return { inner: mask.wholes.length === 0 ? mask : { ...mask, wholes: [] }, outer: new Map() };
  const byTape = new Set(mask.covers.flatMap(({ area, by }) => (by === 'tape' ? [area] : [])));
  const stays = (area: number) =>
    through.has(areas[area]!.part) && isKeptForGood(areas[area]!) && (areas[area]!.strip === null || byTape.has(area));
  const outer = new Map<string, StageMask>();
  for (const part of through) {
    const isOwn = ({ laid }: { readonly laid: MaskLaid }, area: number) =>
      laid === 'now' && areas[area]!.part === part && stays(area);
    const covers = mask.covers.filter((cover) => isOwn(cover, cover.area));
    const edges = mask.edges.filter((edge) => isOwn(edge, edge.closed));
    if (covers.length + edges.length > 0) outer.set(part, { edges, covers, wholes: [], drips: mask.drips });
  }
  const older = ({ laid }: { readonly laid: MaskLaid }, area: number) =>
    laid === 'before' && through.has(areas[area]!.part) && isKeptForGood(areas[area]!);
  const comesOff = <T extends { readonly laid: MaskLaid }>(item: T, area: number): boolean =>
    !stays(area) && !older(item, area);
  const inner: StageMask = {
    edges: mask.edges.filter((edge) => comesOff(edge, edge.closed)),
    covers: mask.covers.filter((cover) => comesOff(cover, cover.area)),
    wholes: [],
    drips: mask.drips,
  };
  return { inner, outer };
}

/** True for an area that is never painted in this job. */
export const isKeptForGood = ({ finish, alike }: Pick<MaskArea, 'finish' | 'alike'>): boolean =>
  finish === null && alike === null;
