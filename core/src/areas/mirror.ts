import type { Point } from '../curves';
import type { Arrangement } from './arrange';
import { sortAreas } from './measure';

/** The areas of a part as its mirror image has them: left and right of every line change places. */
export function mirrorArrangement(
  { areas, borders, loose, leftOut }: Arrangement,
  reflect: (place: Point) => Point,
): Arrangement {
  const turned = areas.map((area) => ({
    ...area,
    rings: area.rings.map((ring) => ring.map(reflect).reverse()),
    seed: reflect(area.seed),
  }));
  const { ordered, placeOf } = sortAreas(turned);
  return {
    areas: ordered,
    borders: borders.map((border) => ({ ...border, left: placeOf[border.right]!, right: placeOf[border.left]! })),
    loose,
    leftOut,
  };
}
