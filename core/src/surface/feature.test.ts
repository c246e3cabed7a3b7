import { wordsFor } from '@lintrel/words';
import * as v from 'valibot';
import { isInsideRing, ringArea } from '../curves';
import { checkAgainst } from '../job';
import { BASE } from '../testing/samples';
import type { Datum } from './datum';
import { type Feature, featureFault, featureSchema, placedFeatures, type ZoneShape } from './feature';

const { say } = wordsFor();

const at = (along: number, above: number) => ({ along, above });
const opening = (shape: ZoneShape, datum = 'base'): Feature => ({
  kind: 'opening',
  id: 'o',
  name: 'O',
  datum,
  use: 'window',
  shape,
});
const ringOf = (shape: ZoneShape, datums: readonly Datum[] = [BASE]) =>
  placedFeatures([opening(shape)], datums)[0]!.ring ?? [];

describe('the shape of an opening', () => {
  it('a round one is a circle', () => {
    const ring = ringOf({ kind: 'round', at: at(100, 50), diameter: 60 });
    for (const { x, y } of ring) expect(Math.hypot(x - 100, y - 50)).toBeCloseTo(30, 9);
    expect(ringArea(ring)).toBeCloseTo(Math.PI * 900, -2);
  });
  it('a window has the size of its box less its corners', () => {
    const size = (corner: number) =>
      ringArea(ringOf({ kind: 'window', at: at(0, 0), width: 200, height: 100, corner }));
    expect(size(0)).toBeCloseTo(20_000, 6);
    expect(size(30)).toBeCloseTo(20_000 - (4 - Math.PI) * 900, -2);
    // Corners larger than the window make a slot with round ends.
    expect(size(500)).toBeCloseTo(100 * 100 + Math.PI * 2500, -2);
  });
  it('runs anticlockwise however its corners were typed', () => {
    const corners = [at(0, 0), at(0, 40), at(60, 40), at(60, 0)];
    expect(ringArea(ringOf({ kind: 'corners', points: corners }))).toBeCloseTo(2400);
    expect(ringArea(ringOf({ kind: 'corners', points: [...corners].reverse() }))).toBeCloseTo(2400);
  });
  it('is measured from its datum, turned and moved with it', () => {
    const datum: Datum = { id: 'base', name: 'Post', at: [500, 100], angleDeg: 90 };
    const ring = ringOf({ kind: 'window', at: at(100, 20), width: 40, height: 10, corner: 0 }, [datum]);
    expect(isInsideRing({ x: 480, y: 200 }, ring)).toBe(true);
    expect(Math.max(...ring.map(({ y }) => y)) - Math.min(...ring.map(({ y }) => y))).toBeCloseTo(40);
  });
  it('is nowhere when its datum is gone', () =>
    expect(placedFeatures([opening({ kind: 'round', at: at(0, 0), diameter: 5 }, 'gone')], [BASE])).toEqual([]));
});

it('a row has two ends, a zone a rim', () => {
  const row: Feature = {
    kind: 'raised-row',
    id: 'r',
    name: 'R',
    datum: 'base',
    from: at(0, 10),
    to: at(80, 10),
    height: 2,
    pitch: 20,
  };
  const [placed] = placedFeatures([row], [BASE]);
  expect(placed).toMatchObject({
    ring: null,
    row: [
      { x: 0, y: 10 },
      { x: 80, y: 10 },
    ],
  });
});

it.each<[string, Feature, RegExp | null]>([
  [
    'a row of no length',
    {
      kind: 'crease',
      id: 'c',
      name: 'C',
      datum: 'base',
      from: at(5, 5),
      to: at(5, 5),
      bend: 'convex',
      angleDeg: 90,
      radius: 1,
    },
    /same place/,
  ],
  ['corners that cross', opening({ kind: 'corners', points: [at(0, 0), at(9, 9), at(9, 0), at(0, 9)] }), /crosses/],
  ['sound corners', opening({ kind: 'corners', points: [at(0, 0), at(9, 0), at(0, 9)] }), null],
  ['a round hole', opening({ kind: 'round', at: at(0, 0), diameter: 5 }), null],
])('%s', (_, feature, message) => {
  const why = featureFault(feature);
  if (message) expect(why && say(why)).toMatch(message);
  else expect(why).toBeNull();
});

it.each([
  [
    'an unknown use',
    { ...opening({ kind: 'round', at: at(0, 0), diameter: 5 }), use: 'door' },
    /use: must be one of hole window gap jamb port box recess strip post lug/,
  ],
  [
    'no diameter',
    { ...opening({ kind: 'round', at: at(0, 0), diameter: 5 }), shape: { kind: 'round', at: at(0, 0) } },
    /diameter: is missing/,
  ],
  ['an unknown kind', { kind: 'bump', id: 'b', name: 'B', datum: 'base' }, /kind: must be opening/],
  [
    'rivets of no height',
    { kind: 'raised-row', id: 'r', name: 'R', datum: 'base', from: at(0, 0), to: at(1, 1), height: 0, pitch: 5 },
    /height: must be above 0/,
  ],
])('the schema refuses %s', (_, data, message) => {
  const checked = checkAgainst(featureSchema as v.GenericSchema, data);
  expect(checked.ok ? '' : checked.faults.map((fault) => `${fault.path}: ${say(fault)}`).join()).toMatch(message);
});
