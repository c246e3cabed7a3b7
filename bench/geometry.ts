import { arrange, closeRing } from '@lintrel/core';
import type { Surface } from '../core/src/surface';
import { libraryAreas } from '../core/src/testing/library-areas';
import { setOutOne, sweep } from '../core/src/testing/samples';

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
    return sweep(
      `l${i}`,
      ...Array.from({ length: 6 }, (__, k): [number, number] => [k * 800, height + (random() - 0.5) * 500]),
    );
  });
  return setOutOne({ surface, lines });
}

/** Areas of the panel by us, and raw noding and polygonizing of the same pieces by the geometry library; ms and how many faces. */
export function areasAgainstLibrary(): {
  ours: number;
  theirs: number;
  ourFaces: number;
  theirFaces: number;
  segments: number;
} {
  const { board, lines } = crowdedPanel();
  const paths = [closeRing(board.drawn.ring), ...lines.flatMap(({ pieces }) => pieces)];
  const segments = paths.reduce((sum, path) => sum + path.length - 1, 0);
  const start = performance.now();
  const { areas } = arrange({ skin: board.drawn, openings: [] }, lines);
  const ours = performance.now() - start;
  const begin = performance.now();
  const theirFaces = libraryAreas(paths).length;
  return { ours, theirs: performance.now() - begin, ourFaces: areas.length, theirFaces, segments };
}
