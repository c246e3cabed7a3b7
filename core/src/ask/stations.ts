import { pathLength, stationsOf, sweepPath, tightestBend, type Path } from '../lines';
import { RULE_OF_THUMB, showLength } from '../units';
import { lengthKey, optional, placesKey } from './key';
import { question, refuseAt } from './question';

export const stations = question({
  name: 'stations',
  title: 'Marks along a curve',
  about: 'A smooth curve through a few measured places, given as a table of heights to be marked, close enough that straight chords between marks do.',
  keys: {
    points: placesKey({ label: 'Places: along and above', example: '0 120, 600 180, 1200 150' }),
    step: lengthKey({ label: 'A mark every', example: '200' }),
    tolerance: optional(lengthKey({ label: 'Chords may stray', example: '0.5' }), RULE_OF_THUMB.stationToleranceMm as number),
  },
  ways: [],
  answer: ({ points, step, tolerance }) => {
    const places = (points as readonly (readonly [number, number])[]).map(([x, y]) => ({ x, y }));
    const path = sweepPath(places);
    if (!path) return refuseAt('points', 'two neighbouring places are the same');
    if (pathLength(path) / (step as number) > 1000) return refuseAt('step', 'gives more than 1000 marks: take a longer step');
    const found = stationsOf(path, ({ x, y }) => ({ along: x, above: y }), step as number, tolerance as number);
    return {
      ok: true,
      value: {
        table: found.rows.map(({ at, along, above, extra }) => ({ alongMm: along, aboveMm: above, atMm: at, extra })),
        lengthMm: pathLength(path),
        tightestRadiusMm: tightestBend(path)?.radiusMm ?? null,
        curve: thinned(path),
      },
    };
  },
  words: ({ table, lengthMm, tightestRadiusMm }) => ({
    headline: `${table.length} marks on ${showLength(lengthMm)} of curve`,
    tone: 'good',
    rows: [
      { label: 'Tightest bend', value: tightestRadiusMm === null ? 'none: straight' : `radius ${showLength(tightestRadiusMm)}` },
      ...table
        .slice(0, 14)
        .map(({ alongMm, aboveMm, extra }) => ({ label: `At ${showLength(alongMm)}${extra ? ', between' : ''}`, value: showLength(aboveMm) })),
    ],
  }),
  sketch: ({ table, curve }) => ({
    label: 'The curve with its marks',
    strokes: [{ tone: 'ink', points: curve }, ...table.map(({ alongMm, aboveMm }) => ({ tone: 'mark' as const, points: [[alongMm, aboveMm] as const] }))],
    words: [],
  }),
});

/** Enough places to draw it by. */
function thinned(path: Path): [number, number][] {
  const every = Math.max(1, Math.floor(path.length / 120));
  return path.filter((_, index) => index % every === 0 || index === path.length - 1).map(({ x, y }) => [x, y]);
}
