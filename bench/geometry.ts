import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import PrecisionModel from 'jsts/org/locationtech/jts/geom/PrecisionModel.js';
import NodedSegmentString from 'jsts/org/locationtech/jts/noding/NodedSegmentString.js';
import MCIndexSnapRounder from 'jsts/org/locationtech/jts/noding/snapround/MCIndexSnapRounder.js';
import Polygonizer from 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js';
import ArrayList from 'jsts/java/util/ArrayList.js';
import { arrange } from '@lintrel/core';
import { setOutOne, sweep } from '../core/src/testing';
import type { Surface } from '../core/src/surface';

/** A panel with 50 edges and 200 curves of about 200 places each, the same every time. */
function crowdedPanel() {
  let seed = 7;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  const points = Array.from({ length: 50 }, (_, i): [number, number] => {
    const angle = (2 * Math.PI * i) / 50;
    return [2000 + 1950 * Math.cos(angle), 750 + 740 * Math.sin(angle)];
  });
  const surface: Surface = { kind: 'flat', outline: { kind: 'polygon', points } };
  const lines = Array.from({ length: 200 }, (_, i) => {
    const height = 40 + random() * 1400;
    return sweep(`l${i}`, ...Array.from({ length: 6 }, (__, k): [number, number] => [k * 800, height + (random() - 0.5) * 500]));
  });
  return setOutOne({ surface, lines });
}

/** Areas of the panel by us, and raw noding and polygonizing of the same pieces by the geometry library; ms and how many faces. */
export function areasAgainstLibrary(): { ours: number; theirs: number; ourFaces: number; theirFaces: number; segments: number } {
  const { board, lines } = crowdedPanel();
  const paths = [[...board.drawn.ring, board.drawn.ring[0]], ...lines.flatMap(({ pieces }) => pieces)];
  const segments = paths.reduce((sum, path) => sum + path.length - 1, 0);
  const start = performance.now();
  const { areas } = arrange({ sheet: board.drawn, openings: [] }, lines);
  const ours = performance.now() - start;
  const begin = performance.now();
  const model = new PrecisionModel(1000);
  const strings = new ArrayList();
  const grid = (value: number) => Math.round(value * 1000) / 1000;
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
      const ends = [coordinates[index - 1], coordinates[index]];
      const key = ends
        .map(({ x, y }) => `${x} ${y}`)
        .sort()
        .join('|');
      if (seen.has(key)) continue;
      seen.add(key);
      polygonizer.add(factory.createLineString(ends));
    }
  }
  let theirFaces = 0;
  for (const iterator = polygonizer.getPolygons().iterator(); iterator.hasNext(); iterator.next()) theirFaces++;
  return { ours, theirs: performance.now() - begin, ourFaces: areas.length, theirFaces, segments };
}
