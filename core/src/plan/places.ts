import type { OrderProblem } from '../order';
import type { PartWork } from './part-work';

/** Where the areas of each part begin in a problem. */
export function areaStarts(works: readonly PartWork[]): number[] {
  let next = 0;
  return works.map(({ arrangement }) => {
    const start = next;
    next += arrangement.areas.length;
    return start;
  });
}

/** Where the borders of each part begin in a problem. */
export function borderStarts(works: readonly PartWork[]): number[] {
  let next = 0;
  return works.map(({ arrangement }) => {
    const start = next;
    next += arrangement.borders.length;
    return start;
  });
}

/** Part, lasting id and code of an area of a problem. */
export function placeOfArea({ areas }: OrderProblem, index: number): { readonly part: string; readonly area: string; readonly code: string } {
  const { id, part, code } = areas[index];
  return { part, area: id.slice(part.length + 1), code };
}
