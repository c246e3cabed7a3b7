import type { AreaId, PartId } from '../kit';
import type { PartWork } from '../setout';
import type { OrderProblem } from '../stage';

/** Where the areas and the borders of each part begin in a problem. */
export interface PartOffsets {
  readonly areas: readonly number[];
  readonly borders: readonly number[];
}

/** Counts where each part begins. */
export const partOffsets = (works: readonly PartWork[]): PartOffsets => ({
  areas: begun(works.map(({ arrangement }) => arrangement.areas.length)),
  borders: begun(works.map(({ arrangement }) => arrangement.borders.length)),
});

/** Where each of several lists begins when they stand one behind the other. */
function begun(lengths: readonly number[]): number[] {
  let next = 0;
  return lengths.map((length) => (next += length) - length);
}

/** Part, lasting id and code of an area of a problem. */
export function placeOfArea(
  { areas }: OrderProblem,
  index: number,
): { readonly part: PartId; readonly area: AreaId; readonly code: string } {
  const { part, area, code } = areas[index]!;
  return { part, area, code };
}
