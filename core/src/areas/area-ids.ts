import { compareText } from '../kit';
import type { Border } from './borders';

/** Ids longer than this are cut and end in a sum of what was cut. */
const LONGEST = 64;

/**
 * Lasting ids of the areas of a part: the lines round each, with the side of them it lies on, `left:waist+right:coach`. They do not
 * change when a line moves, nor when another is drawn elsewhere; an area no line bounds is the `whole`.
 * @param areas in their usual order
 * @returns one id an area, none twice: of areas with the same lines round them the second ends in `#2`
 */
export function areaIds(areas: readonly unknown[], borders: readonly Border[]): string[] {
  const around = areas.map(() => new Set<string>());
  for (const { line, left, right } of borders) {
    around[left]!.add(`left:${line}`);
    around[right]!.add(`right:${line}`);
  }
  const taken = new Map<string, number>();
  return around.map((sides) => {
    const name = truncate([...sides].sort(compareText).join('+')) || 'whole';
    const times = (taken.get(name) ?? 0) + 1;
    taken.set(name, times);
    return times === 1 ? name : `${name}#${times}`;
  });
}

/** FNV-1a, 32 bits: the same text gives the same sum everywhere. */
function truncate(name: string): string {
  if (name.length <= LONGEST) return name;
  let sum = 0x811c9dc5;
  for (let charIndex = 0; charIndex < name.length; charIndex++)
    sum = Math.imul(sum ^ name.charCodeAt(charIndex), 0x01000193) >>> 0;
  return `${name.slice(0, LONGEST - 8)}~${sum.toString(36)}`;
}
