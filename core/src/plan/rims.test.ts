import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planFaults } from '../check';
import type { CoverItem, Plan, SurroundingsItem } from '../contract';
import { readJobFile } from '../formats';
import {
  type Design,
  designFaults,
  type EdgeContext,
  emptyDesign,
  type GapWay,
  type Part,
  SHIPPED_SHELF,
} from '../job';
import { RULE_OF_THUMB } from '../kit';
import { MASKING_RULES } from '../masking';
import { panel as plainPanel, panelJob, planned } from '../testing/panels';
import { planJob } from './plan';

const panel = (id: string, rims: readonly EdgeContext[], over: Partial<Part> = {}): Part =>
  plainPanel(id, 800, 500, { substrate: 'steel', rims: [...rims], ...over });

const painted = (
  parts: readonly Part[],
  finishes: Readonly<Record<string, string | null>>,
  more: Partial<Design> = {},
): Plan =>
  planned(
    panelJob(
      parts,
      parts.map(({ id }) => [id, 400, 250, finishes[id] ?? null]),
      more,
    ),
  );
const rimsOf = ({ items }: Plan): SurroundingsItem[] => items.filter((item) => item.kind === 'rim');
const beyondOf = ({ items }: Plan): CoverItem[] =>
  items.filter((item) => item.kind === 'cover' && item.area === 'beyond') as CoverItem[];

const GUN = 'cream-two-part';
const CAN = 'tomato-can';
const AIRBRUSH = 'soot-air';

describe('what is beyond an edge decides what is laid along it', () => {
  it('a free edge takes nothing', () => {
    expect(painted([panel('a', [])], { a: GUN }).items).toEqual([]);
    expect(painted([panel('a', [{ beyond: 'free', edge: 0 }])], { a: GUN }).items).toEqual([]);
  });
  const gap = (by?: GapWay): EdgeContext => ({ beyond: 'gap', edge: 1, width: 8, depth: 25, ...(by ? { by } : {}) });
  it('a gap a cover hangs from is back-masked: tape inside its flange', () => {
    const plan = painted([panel('a', [gap()])], { a: GUN });
    const [tape, ...more] = rimsOf(plan);
    expect(more).toEqual([]);
    expect(tape).toMatchObject({ tapeKind: 'C', widthMm: 24, lengthMm: 540, edgeMm: 500 });
    expect(tape!.techniques.map(({ code }) => code)).toContain('technique.back-mask');
    expect(beyondOf(plan)[0]!.after).toEqual([tape!.id]);
  });
  it('foam in it, if chosen, is one size over it, as long as the edge; the cover hangs from tape beside it, which comes off first', () => {
    const plan = painted([panel('a', [gap('foam')])], { a: GUN });
    const [foam, outline, ...more] = rimsOf(plan);
    expect(more).toEqual([]);
    expect(foam).toMatchObject({ material: 'foam', widthMm: 10, lengthMm: 500, edgeMm: 500, hold: 'safe' });
    expect(foam!.techniques.map(({ code }) => code)).toEqual(['technique.foam-gap']);
    expect(outline).toMatchObject({ widthMm: 36, lengthMm: 540, after: [foam!.id], outlines: foam!.id });
    expect(outline!.techniques.map(({ code }) => code)).toContain('technique.outline');
    expect(beyondOf(plan)[0]!.after).toEqual([outline!.id]);
    const off = plan.steps.filter(({ kind }) => kind === 'uncover').flatMap(({ items }) => items);
    expect(off.filter((id) => id === outline!.id || id === foam!.id || id === beyondOf(plan)[0]!.id)).toEqual([
      beyondOf(plan)[0]!.id,
      outline!.id,
      foam!.id,
    ]);
    const none = painted([panel('a', [gap('tape')])], { a: GUN });
    expect(rimsOf(none).map(({ material, techniques }) => [material, techniques.at(-1)!.code])).toEqual([
      ['C36', 'technique.beside-edge'],
    ]);
  });
  it('foam that would have to be thicker than any is told, and the gap back-masked', () => {
    const plan = painted([panel('a', [{ beyond: 'gap', edge: 1, width: 40, depth: 60, by: 'foam' }])], { a: GUN });
    expect(rimsOf(plan)[0]!.techniques.map(({ code }) => code)).toContain('technique.back-mask');
    expect(plan.advice.flatMap(({ code, values }) => (code === 'advice.gap' ? [values] : []))).toEqual([
      {
        part: 'Panel a',
        edge: { code: 'edge.numbered', values: { number: 2, seen: 'right' } },
        widthMm: 40,
        mostMm: 19,
      },
    ]);
  });
  it('a door shut on paper needs no tape, and the paper is reckoned', () => {
    const plan = painted([panel('a', [{ beyond: 'shut', edge: 0 }])], { a: GUN });
    expect(rimsOf(plan)).toMatchObject([{ material: 'paper', lengthMm: 800, tapeKind: null }]);
    expect(plan.lists.tape).toEqual([]);
    expect(plan.lists.supplies.find(({ kind }) => kind === 'paper')!.amount).toBeCloseTo(0.8 * 0.3, 3);
  });
  it('an edge is called what people call it', () => {
    const plan = painted([panel('a', [{ beyond: 'body', edge: 0, name: 'sill' }])], { a: GUN });
    expect(rimsOf(plan)[0]!.edgeName).toEqual({ code: 'edge.named', values: { name: 'sill' } });
  });
  it('a gap wider than any foam is back-masked with tape, both tails added', () => {
    const [tape] = rimsOf(painted([panel('a', [{ beyond: 'gap', edge: 0, width: 40, depth: 60 }])], { a: GUN }));
    expect(tape).toMatchObject({ edgeMm: 800, lengthMm: 840 });
    expect(tape!.material).not.toBe('foam');
    expect(tape!.techniques.map(({ code }) => code)).toContain('technique.back-mask');
  });
  it.each([
    ['butt', 'technique.tuck'],
    ['body', 'technique.beside-edge'],
    ['splash', 'technique.hang-paper'],
  ] as const)('%s takes a rim tape, laid with %s', (beyond, technique) => {
    const [tape] = rimsOf(painted([panel('a', [{ beyond, edge: 2 }])], { a: GUN }));
    // A long edge takes a broad tape; along a short one a narrower is enough.
    expect(tape).toMatchObject({ tapeKind: 'C', widthMm: 36, edgeMm: 800 });
    expect(tape!.techniques.map(({ code }) => code)).toContain(technique);
  });
  it('only along what is painted', () => {
    const line = {
      kind: 'straight',
      id: 'waist',
      name: 'Waist',
      runOn: true,
      datum: 'base',
      from: { along: 50, above: 200 },
      to: { along: 700, above: 200 },
    } as const;
    const rims: EdgeContext[] = [0, 1, 2, 3].map((edge) => ({ beyond: 'body', edge }));
    const part = panel('a', rims, { lines: [line] });
    const plan = painted([part], {}, { scheme: { areas: [{ part: 'a', seed: [400, 100], finish: GUN }] } });
    expect(rimsOf(plan).map(({ edge, edgeMm }) => [edge, Math.round(edgeMm)])).toEqual([
      [0, 800],
      [1, 200],
      [3, 200],
    ]);
  });
});

describe('a stretch of an edge', () => {
  it('is masked for itself, and the rest of the edge is as free as nobody has spoken of it', () => {
    const [tape, ...more] = rimsOf(
      painted([panel('a', [{ beyond: 'body', edge: 0, from: 200, to: 500 }])], { a: GUN }),
    );
    expect(more).toEqual([]);
    expect(tape).toMatchObject({ from: 200, to: 500, edgeMm: 300 });
  });
  it('may be one thing and the next another', () => {
    const rims = rimsOf(
      painted(
        [
          panel('a', [
            { beyond: 'gap', edge: 0, to: 300, width: 8, depth: 20, by: 'foam' },
            { beyond: 'body', edge: 0, from: 300 },
          ]),
        ],
        { a: GUN },
      ),
    );
    expect(rims.map(({ beyond, from, to, material }) => [beyond, from, to, material === 'foam'])).toEqual([
      ['gap', 0, 300, true],
      ['gap', 0, 300, false],
      ['body', 300, 800, false],
    ]);
  });
  it('meets the stretch of the neighbour that speaks of it, run against it', () => {
    // The lower 200 mm of the right edge of one are the upper 200 mm of the left edge of the other; above, only the first goes on.
    const one = panel('a', [{ beyond: 'butt', edge: 1, to: 200, part: 'b' }]);
    const other = panel('b', [{ beyond: 'butt', edge: 3, from: 0, to: 200, part: 'a' }]);
    const rims = rimsOf(painted([one, other], { a: GUN }));
    expect(rims).toHaveLength(1);
    expect(rims[0]).toMatchObject({ part: 'a', from: 0, to: 200, edgeMm: 200 });
  });
  it.each([
    [
      [
        { beyond: 'body', edge: 0, to: 300 },
        { beyond: 'splash', edge: 0, from: 200 },
      ],
      'design.rim-twice',
    ],
    [[{ beyond: 'body', edge: 0, from: 300, to: 300 }], 'design.rim-backwards'],
  ] as [EdgeContext[], string][])('is a fault where it is said twice, or ends before it begins: %j', (rims, code) => {
    const design = { ...emptyDesign('Rims', 'road'), parts: [panel('a', rims)] };
    expect(designFaults(design, SHIPPED_SHELF).map((fault) => fault.code)).toEqual([code]);
  });
});

describe('a part that follows its opposite', () => {
  const left = panel('a', [
    { beyond: 'body', edge: 0, from: 100, to: 300 },
    { beyond: 'goes-on', edge: 2, part: 'roof' },
  ]);
  const right = panel('b', [], { opposite: { of: 'a', follows: true }, rims: undefined });
  const roof = panel('roof', []);
  it('has the same beyond its edges, mirrored, until it is told otherwise', () => {
    const rims = rimsOf(painted([left, right, roof], { a: GUN, b: GUN }));
    expect(rims.map(({ part, edge, from, to }) => [part, edge, from, to])).toEqual(
      expect.arrayContaining([
        ['a', 0, 100, 300],
        ['b', 0, 500, 700],
        ['b', 2, 0, 800],
      ]),
    );
    const own = rimsOf(painted([left, { ...right, rims: [] }, roof], { a: GUN, b: GUN }));
    expect(own.filter(({ part }) => part === 'b')).toEqual([]);
  });
  it('meets the part it follows where that meets it: two doors beside each other', () => {
    const one = panel('a', [{ beyond: 'gap', edge: 1, width: 5, depth: 25, part: 'b' }]);
    const plan = painted([one, right], { a: GUN, b: GUN });
    expect(plan.parts.flatMap(({ id, rims }) => rims.map(({ other }) => [id, other.split('/')[0]]))).toEqual(
      expect.arrayContaining([
        ['a', 'b'],
        ['b', 'a'],
      ]),
    );
    expect(plan.parts.flatMap(({ id, rims }) => rims.filter(({ other }) => other.startsWith(`${id}/whole`)))).toEqual(
      [],
    );
  });
  it('meets the mirror image of a neighbour where there is one', () => {
    const door = panel('door', []);
    const otherDoor = panel('door2', [], { opposite: { of: 'door', follows: true }, rims: undefined });
    const beside = panel('a', [{ beyond: 'goes-on', edge: 1, part: 'door' }]);
    const plan = painted([beside, right, door, otherDoor], { a: GUN, b: GUN });
    expect(plan.parts.flatMap(({ id, rims }) => rims.map(({ other }) => [id, other.split('/')[0]]))).toEqual([
      ['a', 'door'],
      ['b', 'door2'],
    ]);
    expect(plan.stages[0]!.coveredParts).toEqual(['door', 'door2']);
  });
});

describe('what is beyond is covered as far as mist flies', () => {
  const round: EdgeContext[] = [0, 1, 2, 3].map((edge) => ({ beyond: 'body', edge }));
  const edgeM = 2.6;
  it('a can and an airbrush reach so far beyond the edge', () => {
    for (const [finish, method] of [
      [CAN, 'can'],
      [AIRBRUSH, 'airbrush'],
    ] as const)
      expect(beyondOf(painted([panel('a', round)], { a: finish }))[0]!.sizeM2).toBeCloseTo(
        (edgeM * MASKING_RULES.reachMm[method]) / 1000,
        6,
      );
  });
  it('a gun fogs the whole object, of which every part has its share by the length of its edges', () => {
    expect(beyondOf(painted([panel('a', round)], { a: GUN })).map(({ sizeM2 }) => sizeM2)).toEqual([
      RULE_OF_THUMB.bodyM2.road,
    ]);
    const two = painted(
      [panel('a', round), panel('b', [{ beyond: 'body', edge: 0 }])],
      { a: GUN, b: GUN },
      { bodyM2: 12 },
    );
    const [one, other] = beyondOf(two).map(({ sizeM2 }) => sizeM2);
    expect(one! + other!).toBeCloseTo(12, 5);
    expect(one! / other!).toBeCloseTo(2600 / 800, 4);
  });
  it('it stays on through primer, colour and clear', () => {
    const areas = [{ part: 'a', seed: [400, 250] as [number, number], finish: 'pearl-base' }];
    const shelf = SHIPPED_SHELF.finishes;
    const base = shelf.find(({ system }) => system === 'base-solvent')!.id;
    const clear = shelf.find(({ effect }) => effect === 'clear')!.id;
    const scheme = { areas: areas.map((area) => ({ ...area, finish: base })), primer: 'filler-buff', clear };
    const plan = painted([panel('a', round)], {}, { scheme });
    expect(plan.stages).toHaveLength(3);
    expect(beyondOf(plan)).toHaveLength(1);
    expect(beyondOf(plan)[0]!.until.stage).toBe(3);
    expect(rimsOf(plan)).toHaveLength(4);
  });
});

describe('parts that meet', () => {
  const faceToFace = (beyond: 'gap' | 'goes-on' | 'butt'): [Part, Part] => {
    const towards = (edge: number, part: string): EdgeContext =>
      beyond === 'gap' ? { beyond, edge, width: 5, depth: 25, part } : { beyond, edge, part };
    return [panel('a', [towards(1, 'b')]), panel('b', [towards(3, 'a')])];
  };
  it('painted together where the surface goes on there is nothing between them', () => {
    expect(rimsOf(painted(faceToFace('goes-on'), { a: GUN, b: GUN }))).toEqual([]);
  });
  it('where one is painted alone its edge is taped on the other, crisp, and the other is covered whole', () => {
    const plan = painted(faceToFace('goes-on'), { a: GUN });
    const [tape, ...more] = rimsOf(plan);
    expect(more).toEqual([]);
    expect(tape).toMatchObject({ part: 'a', edge: 1, edgeMm: 500 });
    expect(SHIPPED_SHELF.tapes.find(({ code }) => code === tape!.material)!.edge).toBe('crisp');
    expect(plan.stages[0]!.coveredParts).toEqual(['b']);
  });
  it('in two colours the edge is taped each time the other is painted', () => {
    const plan = painted(faceToFace('goes-on'), { a: GUN, b: 'sea-green-two-part' });
    expect(plan.stages).toHaveLength(2);
    expect(rimsOf(plan).map(({ stage }) => stage)).toEqual([1, 2]);
  });
  it('a gap between two that are painted together is filled once', () => {
    const doors = readJobFile(readFileSync(join(__dirname, '../../../examples/tansy.json'), 'utf8'));
    if (!doors.ok) throw new Error('the example cannot be read');
    const plan = planJob(doors.value.design, doors.value.shelf);
    const between = rimsOf(plan).filter(
      ({ part, edge }) => (part === 'left' && edge === 1) || (part === 'right' && edge === 3),
    );
    expect(between.map(({ part, material }) => [part, material])).toEqual([['left', 'foam']]);
    // Only below the waist, 580 mm up, is anything painted.
    expect(between[0]!.edgeMm).toBeCloseTo(580, 3);
  });
  it('three parts attached in a ring make a plan', () => {
    const ring = ['a', 'b', 'c'].map((id, index) =>
      panel(id, [{ beyond: 'butt', edge: 1, part: ['b', 'c', 'a'][index]! }]),
    );
    expect(painted(ring, { a: GUN, b: 'sea-green-two-part' }).stages).toHaveLength(2);
  });
});

describe('round surfaces and bad input', () => {
  it('the end of a tube is as long as its girth', () => {
    const tube = panel('a', [{ beyond: 'body', edge: 0 }], { surface: { kind: 'tube', diameter: 100, length: 400 } });
    const plan = painted([tube], {}, { scheme: { areas: [{ part: 'a', seed: [200, 0], finish: CAN }] } });
    expect(rimsOf(plan)[0]!.edgeMm).toBeCloseTo(100 * Math.PI, 3);
  });
  it('the end of a turned part is measured where it is, not where the part is widest', () => {
    const nose = panel('a', [{ beyond: 'body', edge: 0 }], {
      surface: {
        kind: 'turned',
        profile: { start: [0, 20], edges: [{ to: [100, 60] }, { to: [200, 30] }], smooth: false },
      },
    });
    const plan = painted([nose], {}, { scheme: { areas: [{ part: 'a', seed: [100, 0], finish: CAN }] } });
    expect(rimsOf(plan)[0]!.edgeMm).toBeCloseTo(60 * Math.PI, 1);
  });
  it.each([
    [[{ beyond: 'body', edge: 4 }], 'design.no-edge'],
    [
      [
        { beyond: 'body', edge: 1 },
        { beyond: 'butt', edge: 1 },
      ],
      'design.rim-twice',
    ],
    [[{ beyond: 'goes-on', edge: 1, part: 'nowhere' }], 'design.no-part'],
    [[{ beyond: 'butt', edge: 1, part: 'a' }], 'design.rim-itself'],
  ] as const)('%j is refused as %s', (rims, code) => {
    const design = { ...emptyDesign('Rims', 'road'), parts: [panel('a', rims as readonly EdgeContext[])] };
    expect(designFaults(design, SHIPPED_SHELF).map((fault) => fault.code)).toContain(code);
  });
  it('a shelf without any tape still makes a plan that says so', () => {
    const design: Design = {
      ...emptyDesign('Rims', 'road'),
      parts: [panel('a', [{ beyond: 'body', edge: 0 }])],
      scheme: { areas: [{ part: 'a', seed: [400, 250], finish: CAN }] },
    };
    const plan = planJob(design, { ...SHIPPED_SHELF, tapes: [] });
    expect(planFaults(plan)).toEqual([]);
    expect(rimsOf(plan)[0]).toMatchObject({ material: null, hold: null });
    expect(rimsOf(plan)[0]!.doubts.map(({ code }) => code)).toEqual(['doubt.none-for-rim']);
  });
});
