import { type Path, pathLength, type Place, tightestBend } from '../curves';
import { messageWithoutValues, RULE_OF_THUMB } from '../kit';
import { stationsOf, sweepPath } from '../lines';
import { lengthKey, optional, placesKey } from './key';
import { question, refuseAt } from './question';

export const stations = question({
  name: 'stations',
  keys: {
    points: placesKey('0 120, 600 180, 1200 150'),
    step: lengthKey('200'),
    tolerance: optional(lengthKey('0.5'), RULE_OF_THUMB.stationToleranceMm as number),
  },
  ways: [],
  answer: ({ points, step, tolerance }) => {
    const places = (points as readonly Place[]).map(([x, y]) => ({ x, y }));
    const path = sweepPath(places);
    if (!path) return refuseAt('points', messageWithoutValues('ask.same-places'));
    if (pathLength(path) / (step as number) > 1000)
      return refuseAt('step', { code: 'ask.too-many-rows', values: { most: 1000 } });
    const marks = stationsOf(path, ({ x, y }) => ({ along: x, above: y }), step as number, tolerance as number);
    return {
      ok: true,
      value: {
        table: marks.rows.map(({ at, along, above, extra }) => ({ alongMm: along, aboveMm: above, atMm: at, extra })),
        lengthMm: pathLength(path),
        tightestRadiusMm: tightestBend(path)?.radiusMm ?? null,
        curve: thinned(path),
      },
    };
  },
  sketch: ({ table, curve }) => ({
    strokes: [
      { tone: 'ink', points: curve },
      ...table.map(({ alongMm, aboveMm }) => ({ tone: 'mark' as const, points: [[alongMm, aboveMm] as const] })),
    ],
    words: [],
  }),
});

/** Enough places to draw it by. */
function thinned(path: Path): Place[] {
  const every = Math.max(1, Math.floor(path.length / 120));
  return path.filter((_, index) => index % every === 0 || index === path.length - 1).map(({ x, y }) => [x, y]);
}
