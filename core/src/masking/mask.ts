import { edgeClass, laidWhen, type EdgeClass, type Laid, type MaskArea } from './edge-class';

/** Areas of all parts, and where two of them meet. */
export interface MaskGround {
  readonly areas: readonly MaskArea[];
  /** Indices into the areas; the two lie on one part. */
  readonly borders: readonly { readonly a: number; readonly b: number }[];
}

/** One stage as its mask sees it. */
export interface MaskStage {
  /** Which areas the paint reaches. */
  readonly open: readonly boolean[];
  /** Which have had their finish before this stage. */
  readonly painted: readonly boolean[];
  /** Which were open under the masks that are still on; null: no mask is on. */
  readonly under: readonly boolean[] | null;
}

/** A border with paint on one side and cover on the other. */
export interface MaskEdge {
  /** Index of the border, of the open area and of the covered one. */
  readonly border: number;
  readonly free: number;
  readonly closed: number;
  readonly class: EdgeClass;
  readonly laid: Laid;
  /** True where the tape that covers the area, a strip one tape wide, makes this edge along with its others. */
  readonly strip: boolean;
}

/** An area that no paint may reach, on a part that is sprayed. */
export interface MaskCover {
  readonly area: number;
  /** `tape`: one tape is as wide as it is; `drape`: paper or film. */
  readonly by: 'tape' | 'drape';
  /** Of a strip: true where its tape makes a line that stays. */
  readonly crisp: boolean;
  readonly laid: Laid;
}

/** Everything that is masked in a stage. */
export interface StageMask {
  readonly edges: readonly MaskEdge[];
  readonly covers: readonly MaskCover[];
}

/**
 * What is masked in a stage: the one answer behind its cost, the bound of the search, the pictures and the lay list.
 * Covered areas on parts that are sprayed need an edge along every open area and a cover; a strip one tape wide needs that tape alone.
 * What masks that stayed on cover already is told as laid before.
 */
export function maskOf({ areas, borders }: MaskGround, { open, painted, under }: MaskStage): StageMask {
  const laid = (area: number): Laid => laidWhen(under && (under[area] ? 1 : 0));
  const edges: MaskEdge[] = [];
  const strips = new Map<number, boolean>();
  borders.forEach(({ a, b }, border) => {
    if (open[a] === open[b]) return;
    const [free, closed] = open[a] ? [a, b] : [b, a];
    const one = edgeClass(areas[free], areas[closed], painted[closed]);
    const strip = areas[closed].strip !== null;
    if (strip) strips.set(closed, (strips.get(closed) ?? false) || one === 'crisp');
    edges.push({ border, free, closed, class: one, laid: laid(closed), strip });
  });
  const sprayed = new Set<string>();
  areas.forEach(({ part }, index) => open[index] && sprayed.add(part));
  const covers: MaskCover[] = [];
  areas.forEach(({ part }, area) => {
    if (open[area] || !sprayed.has(part)) return;
    const strip = strips.get(area);
    covers.push({ area, by: strip === undefined ? 'drape' : 'tape', crisp: strip ?? false, laid: laid(area) });
  });
  return { edges, covers };
}
