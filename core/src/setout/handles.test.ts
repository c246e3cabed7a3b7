import fc from 'fast-check';
import { type Design, emptyDesign, type Part } from '../job';
import type { TrimLine } from '../lines';
import { BOARD } from '../testing/samples';
import { applyDrag } from './drag';
import { handlesOf } from './handles';

const common = { id: 'l', name: 'l', runOn: false, datum: 'slanted' };
const m = (along: number, above: number) => ({ along, above });
const LINES: readonly TrimLine[] = [
  { kind: 'straight', ...common, from: m(50, 40), to: m(400, 60) },
  { kind: 'sweep', ...common, points: [m(20, 20), m(150, 80), m(300, 40), m(420, 90)] },
  { kind: 'wave', ...common, from: m(20, 20), to: m(400, 40), pitch: 100, height: 20, shape: 'wave' },
  { kind: 'arc', ...common, from: m(20, 20), through: m(150, 90), also: [m(200, 85)], to: m(300, 20) },
  { kind: 'radius', ...common, from: m(60, 40), headingDeg: 10, radius: 200, turnDeg: 40 },
  { kind: 'rays', ...common, from: m(200, 100), count: 3, firstDeg: 20, stepDeg: 30, clear: 5, length: 60 },
  { kind: 'ellipse', ...common, centre: m(200, 100), width: 80, height: 50, turnDeg: 15 },
];

const designOf = (line: TrimLine, mirrored: boolean): Design => {
  const part: Part = {
    id: 'part',
    name: 'Part',
    count: 1,
    substrate: 'steel',
    present: { system: 'bare', colour: '#888888', ageH: 0 },
    surface: BOARD,
    datums: [{ id: 'slanted', name: 'Slanted', at: [120, 60], angleDeg: 12 }],
    lines: [line],
    ...(mirrored ? { opposite: { of: 'gone', follows: false } } : {}),
  };
  return { ...emptyDesign('Sample', 'other'), parts: [part] };
};

const drop = ({ parts }: Design, key: string, place: readonly [number, number]) =>
  applyDrag(parts, { part: 'part', line: 'l', key, place, reachMm: 0, tapes: [] });
const withLine = (design: Design, line: TrimLine): Design => ({
  ...design,
  parts: [{ ...design.parts[0]!, lines: [line] }],
});
const handlesIn = ({ parts }: Design) => handlesOf(parts, 'part', 'l');

describe.each(LINES.map((line) => [line.kind, line] as const))('points of a line of kind %s', (_, line) => {
  it.each([false, true])(
    'lie where they are dropped, the others stay, and back again is as before (mirror image: %s)',
    (mirrored) => {
      const design = designOf(line, mirrored);
      const before = handlesIn(design);
      expect(before.length).toBeGreaterThan(0);
      fc.assert(
        fc.property(
          fc.nat(before.length - 1),
          fc.double({ min: 0, max: 1000, noNaN: true }),
          fc.double({ min: 0, max: 500, noNaN: true }),
          (which, x, y) => {
            const { key, place } = before[which]!;
            const moved = withLine(design, drop(design, key, [x, y])!.line);
            handlesIn(moved).forEach((handle, index) => {
              const wanted = index === which ? [x, y] : before[index]!.place;
              expect(Math.hypot(handle.place[0] - wanted[0], handle.place[1] - wanted[1])).toBeLessThan(0.01);
            });
            expect(withLine(moved, drop(moved, key, place)!.line)).toEqual(design);
          },
        ),
        { numRuns: 20 },
      );
    },
  );
  it('keep everything of the line that is no measurement', () => {
    const design = designOf(line, false);
    const { key } = handlesIn(design)[0]!;
    const { line: changed } = drop(design, key, [333, 222])!;
    const name = key.split('.')[0] as keyof TrimLine;
    expect({ ...changed, [name]: line[name] }).toEqual(line);
  });
});

describe('lines without points', () => {
  it('a ring, a line from another, and one that is not there have nothing to take hold of', () => {
    const ring: TrimLine = { kind: 'ring', id: 'l', name: 'l', runOn: false, at: 20 };
    expect(handlesIn(designOf(ring, false))).toEqual([]);
    expect(
      handlesIn(designOf({ kind: 'parallel', id: 'l', name: 'l', runOn: false, of: { edge: 0 }, offset: 20 }, false)),
    ).toEqual([]);
    expect(handlesOf(designOf(ring, false).parts, 'part', 'gone')).toEqual([]);
    expect(handlesOf([], 'part', 'l')).toEqual([]);
  });
  it('a line that lost its datum has none, and is not changed by a drag', () => {
    const lost: TrimLine = { kind: 'straight', ...common, datum: 'gone', from: m(0, 0), to: m(100, 0) };
    const design = designOf(lost, false);
    expect(handlesIn(design)).toEqual([]);
    expect(drop(design, 'to', [50, 50])?.line).toEqual(lost);
  });
});
