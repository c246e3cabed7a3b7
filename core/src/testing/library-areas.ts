import ArrayList from 'jsts/java/util/ArrayList.js';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import PrecisionModel from 'jsts/org/locationtech/jts/geom/PrecisionModel.js';
import NodedSegmentString from 'jsts/org/locationtech/jts/noding/NodedSegmentString.js';
import MCIndexSnapRounder from 'jsts/org/locationtech/jts/noding/snapround/MCIndexSnapRounder.js';
import Polygonizer from 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js';
import type { Point } from '../curves';

/** Precision of the library: 1 µm, as our own grid. */
const GRID_PER_MM = 1000;

/**
 * Sizes (mm²) of the faces between paths by a general geometry library, in no order: what ours is measured against.
 * Rounded to the micrometre before noding by snap rounding; its noding in floating point fails on gaps of 1e-9.
 */
export function libraryAreas(paths: readonly (readonly Point[])[]): number[] {
  const model = new PrecisionModel(GRID_PER_MM);
  const grid = (value: number) => Math.round(value * GRID_PER_MM) / GRID_PER_MM;
  const strings = new ArrayList();
  for (const path of paths)
    strings.add(
      new NodedSegmentString(
        path.map(({ x, y }) => new Coordinate(grid(x), grid(y))),
        null,
      ),
    );
  const rounder = new MCIndexSnapRounder(model);
  rounder.computeNodes(strings);
  const factory = new GeometryFactory(model);
  const polygonizer = new Polygonizer();
  const seen = new Set<string>();
  for (const iterator = rounder.getNodedSubstrings().iterator(); iterator.hasNext();) {
    const coordinates = iterator.next().getCoordinates() as Coordinate[];
    for (let index = 1; index < coordinates.length; index++) {
      const ends = [coordinates[index - 1]!, coordinates[index]!];
      const key = ends
        .map(({ x, y }) => `${x} ${y}`)
        .sort()
        .join('|');
      if (seen.has(key)) continue;
      seen.add(key);
      polygonizer.add(factory.createLineString(ends));
    }
  }
  const sizes: number[] = [];
  for (const iterator = polygonizer.getPolygons().iterator(); iterator.hasNext();)
    sizes.push(iterator.next().getArea());
  return sizes;
}
