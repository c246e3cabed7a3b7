import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { wordsFor } from '@lintrel/words';
import { carryScheme } from '../edit';
import { readJobFile } from '../formats';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { firstItem } from '../kit';
import type { TrimLine } from '../lines';
import { planJob } from '../plan';
import type { Surface } from '../surface';
import { BOARD, straight, sweep } from '../testing/samples';
import { drawPiece } from '../views';
import { analyseLine, fairedLine, matchLine } from './analysis';
import { draftParts } from './draft';
import { applyDrag } from './drag';
import { handlesOf } from './handles';
import { newPartCache } from './part-cache';

const { say } = wordsFor();
const told = (result: ReturnType<typeof applyDrag>) => (result?.snap ? say(result.snap) : null);

const part = (over: Partial<Part> = {}): Part => ({
  id: 'part',
  name: 'Part',
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  surface: BOARD,
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [],
  ...over,
});
const design = (...parts: Part[]): Design => ({ ...emptyDesign('Sample', 'other'), parts });
const demo = (name: string): Design => {
  const read = readJobFile(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8'));
  if (!read.ok) throw new Error(say(read.faults[0]!));
  return read.value.design;
};
const DEMOS = ['juniper', 'saltwort', 'ostrel', 'brindle', 'marigold'];

describe('what was worked out before', () => {
  it.each(DEMOS)('gives the same plan of %s, to the byte, also after a change and back', (name) => {
    const before = demo(name);
    const [first, others] = [firstItem(before.parts), before.parts.slice(1)];
    const after: Design = { ...before, parts: [{ ...first, lines: first.lines.slice(1) }, ...others] };
    const store = newPartCache();
    const planned = (one: Design) =>
      expect(JSON.stringify(planJob(one, SHIPPED_SHELF, store))).toBe(JSON.stringify(planJob(one, SHIPPED_SHELF)));
    planned(before);
    planned(after);
    const works = new Set(store.works.values());
    planned(before);
    expect(new Set(store.works.values())).toEqual(works);
  });
  it('a part that follows another is worked out anew when that one changes', () => {
    const right = part({ id: 'right', lines: [straight('a', [0, 100], [1000, 200])] });
    const left = part({ id: 'left', opposite: { of: 'right', follows: true } });
    const store = newPartCache();
    const heightAt = (above: number) => {
      const parts = draftParts(
        design({ ...right, lines: [straight('a', [0, 100], [1000, above])] }, left),
        SHIPPED_SHELF,
        store,
      );
      return parts[1]!.lines[0]!.pieces[0]!.find(([x]) => x < 1e-6)?.[1];
    };
    expect([heightAt(200), heightAt(300)]).toEqual([200, 300]);
  });
});

describe('a dragged point', () => {
  const line = sweep('w', [100, 150], [500, 220], [900, 160]);
  const post = straight('post', [700, 0], [700, 500]);
  const drag = (key: string, place: readonly [number, number], of: TrimLine = line, over: Partial<Part> = {}) =>
    applyDrag(design(part({ lines: [of, post], ...over })).parts, {
      part: 'part',
      line: of.id,
      key,
      place,
      reachMm: 8,
      tapes: [6, 19],
    });
  it('changes its measurement and the line with it', () => {
    const result = drag('points.1', [480.123, 260.456]);
    expect(result?.line).toMatchObject({ points: [{}, { along: 480.12, above: 260.46 }, {}] });
    expect(result?.snap).toBeNull();
    expect(result?.pieces[0]!.some(([x, y]) => Math.hypot(x - 480.12, y - 260.46) < 0.5)).toBe(true);
  });
  it.each<[string, readonly [number, number], string, readonly [number, number]]>([
    ['a corner', [3, 4], 'corner', [0, 0]],
    ['the middle of an edge', [503, 2], 'middle of edge 1 (bottom)', [500, 0]],
    ['the end of a line', [702, 497], 'end of L2', [700, 500]],
    ['a line', [703, 333], 'on L2', [700, 333]],
    ['an edge', [996, 333], 'on edge 2 (right)', [1000, 333]],
    ['a datum', [333, 3], 'on edge 1 (bottom)', [333, 0]],
    ['tape widths side by side', [333, 59], '3 × tape 19 mm from Base', [333, 57]],
  ])('is drawn to %s', (_, finger, snap, place) => {
    const result = drag('points.1', finger);
    expect([told(result), result?.place.map((value) => Math.round(value * 1000) / 1000)]).toEqual([
      snap.startsWith('corner') ? 'start of Base' : snap,
      place,
    ]);
  });
  it('of a straight is drawn square to a line, or to where it just touches a bend', () => {
    const square = drag('to', [698, 164], straight('s', [100, 160], [600, 200]));
    expect([told(square), square?.place]).toEqual(['square to L2', [700, expect.closeTo(160, 6)]]);
    const ring: TrimLine = {
      kind: 'ellipse',
      id: 'c',
      name: 'c',
      runOn: false,
      datum: 'base',
      centre: { along: 600, above: 250 },
      width: 200,
      height: 200,
      turnDeg: 0,
    };
    const own = straight('s', [100, 250], [400, 300]);
    // From 500 mm away a straight touches a circle of radius 100 at √(500² − 100²) from its start.
    const touch = Math.sqrt(500 ** 2 - 100 ** 2);
    const place: [number, number] = [100 + (touch * touch) / 500, 250 + (touch * 100) / 500];
    const result = applyDrag(design(part({ lines: [own, ring] })).parts, {
      part: 'part',
      line: 's',
      key: 'to',
      place: [place[0] + 3, place[1] + 2],
      reachMm: 8,
      tapes: [],
    });
    expect(told(result)).toBe('touching L2');
    expect(Math.hypot((result?.place[0] ?? 0) - place[0], (result?.place[1] ?? 0) - place[1])).toBeLessThan(0.5);
  });
  it('of a mirror image moves the measurement it stands for', () => {
    const result = drag('points.0', [800, 180], line, { opposite: { of: 'other', follows: false } });
    expect(result?.line).toMatchObject({ points: [{ along: 200, above: 180 }, {}, {}] });
    expect(
      handlesOf(design(part({ lines: [line], opposite: { of: 'other', follows: false } })).parts, 'part', 'w')[0],
    ).toEqual({
      key: 'points.0',
      place: [900, 150],
    });
  });
  it('tells when the line could not be laid there', () =>
    expect(drag('from', [300, 900], straight('s', [0, 400], [700, 700]))?.fault?.code).toBe('line.outside'));
});

describe('what is told of a line', () => {
  it('its bends, its wiggles, how to make it fair, and whether the other side matches', () => {
    const heights = [200, 212, 219, 233, 224, 222, 215];
    const points = heights.map((above, index) => [20 + index * 160, above] as const);
    const parts = design(part({ lines: [sweep('w', ...points)] })).parts;
    const analysis = analyseLine(parts, 'part', 'w');
    expect(analysis?.bends.length).toBeGreaterThan(40);
    expect(analysis?.wiggles.length).toBeGreaterThan(0);
    const wavy = parts[0]!.lines[0];
    const { line, movedMm } = fairedLine(wavy as Extract<TrimLine, { kind: 'sweep' }>, 12);
    expect(Math.max(...movedMm)).toBeLessThanOrEqual(12);
    expect(analyseLine(design(part({ lines: [line] })).parts, 'part', 'w')?.wiggles).toEqual([]);
    expect(matchLine(parts, 'part', 'w', 'base', [{ along: 340, above: 222 }])?.worstMm).toBeCloseTo(3, 6);
    expect(analyseLine(parts, 'part', 'nowhere')).toBeNull();
    expect(matchLine(parts, 'part', 'w', 'nowhere', [])).toBeNull();
  });
});

describe('the whole piece', () => {
  const TUBE: Surface = { kind: 'tube', diameter: 100, length: 400 };
  const look = (of: Design, view: 'side' | 'top' | 'end') => drawPiece(of, SHIPPED_SHELF, { view });
  it('is as large from each side as its parts are', () => {
    const tube = design(part({ surface: TUBE, pose: { at: [50, 0, 200], yawDeg: 0, pitchDeg: 0, rollDeg: 0 } }));
    expect(look(tube, 'side').box).toMatchObject({
      minX: 50,
      maxX: 450,
      minY: expect.closeTo(150, 0),
      maxY: expect.closeTo(250, 0),
    });
    expect(look(tube, 'end').box).toMatchObject({ minX: expect.closeTo(-50, 0), maxX: expect.closeTo(50, 0) });
    expect(look(tube, 'top').box).toMatchObject({ minX: 50, maxX: 450 });
  });
  it('shows a line on the near side only', () => {
    const lines = [
      straight('left', [0, 40], [400, 40]),
      straight('right', [0, -40], [400, -40]),
      straight('top', [0, 0], [400, 0]),
    ];
    expect(
      look(design(part({ surface: TUBE, lines })), 'side')
        .lines.map(({ line }) => line)
        .sort(),
    ).toEqual(['right', 'top']);
  });
  it('a flat part shows its back from behind, a mirror image its front', () => {
    const right = part({ id: 'right', lines: [straight('a', [0, 100], [1000, 100])] });
    const left = part({ id: 'left', opposite: { of: 'right', follows: true } });
    const backs = (of: Design) => look(of, 'side').patches.map(({ part: id, back }) => `${id} ${back}`);
    expect([...new Set(backs(design(right, left)))].sort()).toEqual(['left true', 'right false']);
  });
  it.each(DEMOS)('%s is drawn from a slant without a number that is none', (name) => {
    const picture = drawPiece(demo(name), SHIPPED_SHELF, { turnDeg: 30, riseDeg: 20 });
    expect(picture.patches.length).toBeGreaterThan(1);
    expect(JSON.stringify(picture)).not.toMatch(/null/);
  });
});

describe('finishes of areas', () => {
  it('go to both halves of a split, also on a tube, and are asked about where two become one', () => {
    const tube = (lines: TrimLine[]) => part({ surface: { kind: 'tube', diameter: 100, length: 400 }, lines });
    const ring = (id: string, at: number): TrimLine => ({ kind: 'ring', id, name: id, runOn: false, at });
    const before: Design = {
      ...design(tube([ring('a', 150)])),
      scheme: {
        areas: [
          { part: 'part', seed: [50, 10], finish: 'cream-two-part' },
          { part: 'part', seed: [300, 10], finish: 'sea-green-two-part' },
        ],
      },
    };
    const split = carryScheme(before, { ...before, parts: [tube([ring('a', 150), ring('b', 300)])] });
    const finishes = (of: Design) => draftParts(of, SHIPPED_SHELF)[0]!.areas.map(({ finish }) => finish);
    expect(finishes(split).sort()).toEqual(['cream-two-part', 'sea-green-two-part', 'sea-green-two-part']);
    const merged = carryScheme(before, { ...before, parts: [tube([])] });
    expect(planJob(merged, SHIPPED_SHELF).advice.some(({ code }) => code === 'advice.conflict')).toBe(true);
  });
  it('areas know their neighbours and the lines between', () => {
    const lines = [straight('a', [0, 200], [1000, 200]), straight('b', [400, 0], [400, 200])];
    const { areas } = draftParts(design(part({ lines })), SHIPPED_SHELF)[0]!;
    const upper = areas.find(({ sizeM2 }) => Math.abs(sizeM2 - 0.3) < 1e-9);
    expect(upper?.neighbours.map(({ lengthMm, lines: between }) => [lengthMm, between])).toEqual([
      [600, ['L1']],
      [400, ['L1']],
    ]);
  });
});
