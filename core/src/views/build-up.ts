import type { Item, Plan } from '../contract';
import { isLine } from '../items';
import type { ItemId } from '../kit';

/** One thing in a cut across an edge, seen along it: the line at 0, the covered side to the right. */
export interface BuildUpPiece {
  readonly kind: 'line' | 'backing' | 'cover';
  /** Code of the tape; null: none on the shelf, or a cover. */
  readonly material: string | null;
  /** Where it begins and ends, mm from the line; null: it goes on. */
  readonly fromMm: number;
  readonly toMm: number | null;
  /** On how many others it lies: 0 lies on the part. */
  readonly level: number;
}

/** A cover sticks to the outer part of what carries it, at most so wide: drawn so, mm. */
const STUCK_MM = 8;

/**
 * What lies along an edge, from the line outward: line tape, backing, cover, and what lies on what.
 * @param id of its line tape or its backing
 * @returns empty where the item is neither
 */
export function edgeBuildUp({ items }: Pick<Plan, 'items'>, id: ItemId): BuildUpPiece[] {
  const asked = items.find((item) => item.id === id);
  const line = asked?.kind === 'backing' ? items.find((item) => item.id === asked.behind) : asked;
  if (!line || !isLine(line)) return [];
  const [backing] = items.flatMap((item) => (item.kind === 'backing' && item.behind === line.id ? [item] : []));
  const carrier = backing ?? line;
  const cover = items.find((item) => item.kind === 'cover' && item.after.includes(carrier.id));
  const own = [line, ...(backing ? [backing] : []), ...(cover ? [cover] : [])];
  const levelOf = (item: Item): number =>
    Math.max(-1, ...own.filter((other) => item.after.includes(other.id)).map(levelOf)) + 1;
  const outerMm = backing ? backing.offsetMm + backing.widthMm : line.widthMm;
  return [
    { kind: 'line', material: line.material, fromMm: 0, toMm: line.widthMm, level: levelOf(line) },
    ...(backing
      ? [
          {
            kind: 'backing' as const,
            material: backing.material,
            fromMm: backing.offsetMm,
            toMm: outerMm,
            level: levelOf(backing),
          },
        ]
      : []),
    ...(cover
      ? [
          {
            kind: 'cover' as const,
            material: null,
            fromMm: outerMm - Math.min(STUCK_MM, carrier.widthMm / 2),
            toMm: null,
            level: levelOf(cover),
          },
        ]
      : []),
  ];
}
