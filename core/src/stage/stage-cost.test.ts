import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { typicalFinish } from '../finish';
import { firstTwo, RULE_OF_THUMB } from '../kit';
import { consistentRules, searchOrder } from '../order';
import { sampleArea, sampleBorder, sampleProblem } from '../testing/order';
import { filmTimes } from './film-times';
import { gunOf } from './gun';
import { coverOver, edgeCost, uncoverMin } from './mask-cost';
import { finishesInUse, finishOf, NO_RULES, type OrderProblem } from './problem';
import { startProgress } from './progress';
import { STAGE_RULES } from './rules-of-thumb';
import type { StageCost } from './stage';
import { gunChangeMinutes, stageCost } from './stage-cost';

const { say } = wordsFor();

const CREAM = 'cream-two-part';
const GREEN = 'sea-green-two-part';
const COPPER = 'copper-two-part';
const pair = (a: string | null, b: string | null, changes: Partial<OrderProblem> = {}) =>
  sampleProblem([sampleArea(0, a), sampleArea(1, b)], [sampleBorder(0, 1, 2)], changes);
const open = (problem: OrderProblem, finish: string, areas: readonly boolean[], keep = false) =>
  stageCost(problem, startProgress(problem), { finish, open: areas, keep });

const CRISP = { crisp: true, backed: false };
const ROUGH = { crisp: false, backed: false };

describe('one tape edge', () => {
  it('costs its metres by how hard it bends, its pieces, corners and measured points', () => {
    const { layMin, pullMin } = edgeCost(
      { lengthM: 2, pieces: 1, setOutMin: 4, corners: 3, bend: 'tight', sealM: 0 },
      CRISP,
      false,
    );
    expect(layMin).toBeCloseTo(2 * 3.5 + 0.3 + 3 * 0.3 + 4, 9);
    expect(pullMin).toBeCloseTo(2 * 0.25 + 0.1, 9);
  });
  it('costs less where it will be painted over, and more a piece on models', () => {
    const edge = { lengthM: 1, pieces: 4, setOutMin: 2, corners: 0, bend: 'gentle', sealM: 0 } as const;
    expect(edgeCost(edge, ROUGH, false).layMin).toBeLessThan(edgeCost(edge, CRISP, false).layMin);
    expect(edgeCost(edge, CRISP, true).layMin - edgeCost(edge, CRISP, false).layMin).toBeCloseTo(4 * 0.5, 9);
  });
});

it('takes two and a half times as long over crossed features of a model', () => {
  const edge = { lengthM: 1, pieces: 1, setOutMin: 2, corners: 0, bend: 'features', sealM: 0 } as const;
  const without = (model: boolean) => edgeCost(edge, CRISP, model).layMin - (model ? 0.8 : 0.3);
  expect(without(true)).toBeCloseTo(2.5 * without(false), 9);
});

describe('one stage', () => {
  it('needs tape only between open and covered areas, and paper behind it', () => {
    const problem = pair(CREAM, null);
    const stage = open(problem, CREAM, [true, false]);
    expect(stage.tapeM).toBe(2);
    expect(stage.drapeM2).toBe(problem.areas[1]!.sizeM2);
    expect(open(pair(CREAM, GREEN), CREAM, [true, true]).tapeM).toBe(0);
  });
  it('leaves a part that is not sprayed alone', () => {
    const problem = sampleProblem([sampleArea(0, CREAM), sampleArea(1, GREEN, { part: 'q' })], []);
    expect(open(problem, CREAM, [true, false])).toMatchObject({ tapeM: 0, drapeM2: 0 });
  });
  it('charges a rough edge less than one that stays, and none that is hard towards a blend', () => {
    const rough = open(pair(CREAM, GREEN), CREAM, [true, false]);
    const crisp = open(pair(CREAM, null), CREAM, [true, false]);
    const blended = sampleProblem(
      [sampleArea(0, CREAM, { blend: true }), sampleArea(1, null)],
      [sampleBorder(0, 1, 2)],
    );
    expect(rough.layMin).toBeLessThan(crisp.layMin);
    expect(open(blended, CREAM, [true, false]).risk).toBeLessThan(crisp.risk);
  });
  it('covers a strip one tape wide with one length of tape and no paper', () => {
    const strip = { lengthM: 3, pieces: 1, setOutMin: 2, corners: 0, bend: 'straight', sealM: 0 } as const;
    const borders = [sampleBorder(0, 1, 3), sampleBorder(1, 2, 3)];
    const areas = [sampleArea(0, CREAM), sampleArea(1, null, { strip }), sampleArea(2, CREAM)];
    expect(open(sampleProblem(areas, borders), CREAM, [true, false, true])).toMatchObject({ tapeM: 3, drapeM2: 0 });
    const wide = areas.map((area) => ({ ...area, strip: null }));
    expect(open(sampleProblem(wide, borders), CREAM, [true, false, true])).toMatchObject({
      tapeM: 6,
      drapeM2: areas[1]!.sizeM2,
    });
  });
  it('counts coats over what is really below', () => {
    const problem = pair(GREEN, CREAM, {});
    const first = open(problem, GREEN, [true, true]);
    const overGreen = stageCost(problem, first.after, { finish: CREAM, open: [false, true], keep: false });
    const bare = stageCost(problem, open(problem, GREEN, [true, false]).after, {
      finish: CREAM,
      open: [false, true],
      keep: false,
    });
    expect(overGreen.under).toBe('#2f6f62');
    expect(overGreen.coats).toBeGreaterThan(bare.coats);
  });
  it('waits until covered colour takes tape', () => {
    const problem = pair(CREAM, GREEN);
    const next = stageCost(problem, open(problem, CREAM, [true, false]).after, {
      finish: GREEN,
      open: [false, true],
      keep: false,
    });
    expect(next.waits.tapeMin).toBeGreaterThan(600);
  });
  it('keys what is past its limit, once for the stage and by its size', () => {
    const cured = { presentSystem: 'two-part', presentAgeMin: 90_000 } as const;
    const problem = sampleProblem([sampleArea(0, CREAM, { sizeM2: 2, ...cured })], []);
    const stage = open(problem, CREAM, [true]);
    expect(stage.over.tasks).toMatchObject([{ answer: 'abrade', area: 0 }]);
    expect(stage.overMin).toBeCloseTo(2 * RULE_OF_THUMB.abradePerSquareMetre + RULE_OF_THUMB.abradeFixed, 9);
    const vouched = {
      ...problem,
      rules: { ...NO_RULES, vouched: [{ lower: 'two-part' as const, upper: 'two-part' as const }] },
    };
    expect(open(vouched, CREAM, [true])).toMatchObject({ over: { tasks: [] }, overMin: 0 });
  });
  it('never calls a coat that must not be an answer: it is told as forbidden', () => {
    const young = sampleProblem(
      [sampleArea(0, 'night-can-lacquer', { presentSystem: 'can-enamel', presentAgeMin: 3000 })],
      [],
    );
    const old = sampleProblem(
      [sampleArea(0, 'orange-dope', { presentSystem: 'can-enamel', presentAgeMin: 300_000 })],
      [],
    );
    expect(open(young, 'night-can-lacquer', [true])).toMatchObject({
      forbidden: [],
      over: { tasks: [{ answer: 'wait' }, { answer: 'abrade' }] },
    });
    expect(open(young, 'night-can-lacquer', [true]).waits.overMin).toBeGreaterThan(1000);
    expect(open(old, 'orange-dope', [true]).forbidden).toEqual(['over']);
  });
  it('plugs the openings of a part once', () => {
    const problem = pair(CREAM, GREEN, { plugs: new Map([['p', 4]]) });
    const without = pair(CREAM, GREEN);
    const first = open(problem, CREAM, [true, true]);
    expect(first.layMin - open(without, CREAM, [true, true]).layMin).toBeCloseTo(4 * RULE_OF_THUMB.perPlug, 9);
    const again = (of: OrderProblem) =>
      stageCost(of, open(of, CREAM, [true, true]).after, { finish: GREEN, open: [false, true], keep: false });
    expect(again(problem).layMin).toBeCloseTo(again(without).layMin, 9);
  });
  it('lays nothing again under masks that stayed on, and pulls them all in the end', () => {
    const areas = [sampleArea(0, 'pale-blue-air'), sampleArea(1, 'soot-air'), sampleArea(2, null)];
    const problem = sampleProblem(areas, [sampleBorder(0, 2, 1), sampleBorder(1, 2, 1), sampleBorder(0, 1, 1)], {
      model: true,
    });
    const run = (keep: boolean) => {
      const first = open(problem, 'pale-blue-air', [true, true, false], keep);
      return [
        first,
        stageCost(problem, first.after, { finish: 'soot-air', open: [false, true, false], keep: false }),
      ] as const;
    };
    const [kept, next] = run(true);
    const [pulled, fresh] = run(false);
    expect(kept.pullMin).toBe(0);
    expect(next.tapeM).toBe(1);
    expect(fresh.tapeM).toBe(2);
    expect(next.pullMin).toBeCloseTo(
      pulled.pullMin +
        next.tapeM * RULE_OF_THUMB.pullPerMetre +
        RULE_OF_THUMB.pullPerPiece +
        uncoverMin(coverOver(problem.areas[0]!)),
      9,
    );
  });
  it('brushes a narrow line along it, not by its size', () => {
    const line = (finish: string) => sampleProblem([sampleArea(0, finish, { sizeM2: 0.03, narrowM: 5 })], []);
    const coatOf = (finish: string) => {
      const { coatMin, coats } = open(line(finish), finish, [true]);
      return coatMin / coats - RULE_OF_THUMB.perCoat;
    };
    expect(coatOf('ivory-brush')).toBeCloseTo(5 * 0.15, 9);
    expect(coatOf(CREAM)).toBeCloseTo(0.03 * 1.5, 9);
  });
  it('hangs paper along the edge alone against the drips of a roller, and none beside a brush', () => {
    const drapeOf = (finish: string) => {
      const areas = [sampleArea(0, finish), sampleArea(1, null, { sizeM2: 9 }), sampleArea(2, null, { sizeM2: 9 })];
      const problem = sampleProblem(areas, [sampleBorder(0, 1, 2), sampleBorder(1, 2, 2)]);
      return open(problem, finish, [true, false, false]).drapeM2;
    };
    expect(drapeOf('boottop-navy')).toBeCloseTo(2 * STAGE_RULES.dripStripM, 9);
    expect(drapeOf('ivory-brush')).toBe(0);
  });
  const kept = (over: boolean | null, sizeM2 = 0.5) => {
    const sides = [
      { backed: true, over },
      { backed: true, over },
    ] as const;
    return sampleProblem(
      [sampleArea(0, CREAM), sampleArea(1, null, { sizeM2 })],
      [{ ...sampleBorder(0, 1, 2), sides }],
    );
  };
  const [tapeMin, coverMin] = [2 * RULE_OF_THUMB.pullPerMetre + RULE_OF_THUMB.pullPerPiece, 0.35];
  it('pulls the line tape alone, then takes away the cover with the backing it hangs from', () => {
    const stage = open(kept(null), CREAM, [true, false]);
    expect(stage.tapeM).toBe(4);
    expect(stage.pullMin).toBeCloseTo(tapeMin, 9);
    expect(stage.uncoverMin).toBeCloseTo(tapeMin + coverMin, 9);
    expect(stage.waits.coverMin).toBe(0);
  });
  it('takes the cover off before the line tape it lies on', () => {
    for (const problem of [pair(CREAM, null), kept(true)]) {
      const stage = open(problem, CREAM, [true, false]);
      const cover = uncoverMin(coverOver(problem.areas[1]!));
      expect(stage.pullMin).toBeCloseTo(tapeMin * (problem.borders[0]!.sides ? 2 : 1) + cover, 9);
      expect(stage.uncoverMin).toBe(0);
      expect([...stage.pulled!.first.covers]).toEqual([1]);
    }
  });
  it('leaves a large cover on until nothing is wet', () => {
    const [small, large] = [open(kept(null), CREAM, [true, false]), open(kept(null, 3), CREAM, [true, false])];
    const touchMin = filmTimes(kept(null), finishOf(kept(null), CREAM), large.coats).windows.touchMin;
    const begun = large.after.clock - large.uncoverMin;
    expect(begun).toBeCloseTo(large.lastCoatMin + touchMin, 6);
    expect(small.after.clock - small.uncoverMin).toBeLessThan(small.lastCoatMin + touchMin);
    expect(large.waits.coverMin).toBeGreaterThan(60);
  });
  it('fades out what fades out once, after its last coat', () => {
    const areas = (blend: boolean) =>
      sampleProblem([sampleArea(0, CREAM, { blend }), sampleArea(1, null)], [sampleBorder(0, 1, 2)]);
    const [faded, hard] = firstTwo([true, false].map((blend) => open(areas(blend), CREAM, [true, false])));
    expect(faded.coatMin - hard.coatMin).toBeCloseTo(RULE_OF_THUMB.blend, 9);
    expect(faded.blendMin).toBe(RULE_OF_THUMB.blend);
  });
});

describe('sealing', () => {
  const textured = (changes: Partial<OrderProblem> = {}) =>
    sampleProblem([sampleArea(0, CREAM), sampleArea(1, null)], [sampleBorder(0, 1, 2, { sealM: 0.6 })], changes);
  it('is done by the metre where a line that stays runs over texture, and dries before the colour', () => {
    const [sealed, plain] = [open(textured(), CREAM, [true, false]), open(pair(CREAM, null), CREAM, [true, false])];
    expect(sealed.sealMin).toBeCloseTo(0.6 * RULE_OF_THUMB.sealPerMetre, 9);
    expect(sealed.lastCoatMin - plain.lastCoatMin).toBeCloseTo(sealed.sealMin + RULE_OF_THUMB.liquidMaskDry, 9);
    expect(sealed.seals).toMatchObject([{ product: null, minutes: sealed.sealMin }]);
  });
  it('takes the colour below where that may go there', () => {
    const problem = sampleProblem([sampleArea(0, CREAM), sampleArea(1, GREEN)], [sampleBorder(0, 1, 2, { sealM: 1 })]);
    const first = open(problem, GREEN, [false, true]);
    expect(first.seals).toEqual([]);
    const next = stageCost(problem, first.after, { finish: CREAM, open: [true, false], keep: false });
    expect(next.seals.map(({ product }) => product)).toEqual([GREEN]);
  });
  it('is not done where the edge will be painted over', () => {
    const problem = sampleProblem([sampleArea(0, CREAM), sampleArea(1, GREEN)], [sampleBorder(0, 1, 2, { sealM: 1 })]);
    expect(open(problem, CREAM, [true, false]).sealMin).toBe(0);
  });
});

describe('masks through primer, colour and clear', () => {
  const areas = [sampleArea(0, CREAM), sampleArea(1, GREEN), sampleArea(2, null)];
  const borders = [sampleBorder(0, 1, 1), sampleBorder(0, 2, 2), sampleBorder(1, 2, 3)];
  const painted = [true, true, false];
  const layers = {
    primer: { finish: 'filler-buff', areas: painted },
    clear: { finish: 'clear-two-part', areas: painted },
    lastsH: () => 1000,
    shortestHours: 1000,
  };
  const run = (through: boolean, changes: Partial<OrderProblem>) => {
    const problem = sampleProblem(areas, borders, { rules: { ...NO_RULES, masks: 'fresh', through }, ...changes });
    const finishes = [
      ...(problem.primer ? [{ finish: 'filler-buff', open: painted }] : []),
      { finish: CREAM, open: [true, false, false] },
      { finish: GREEN, open: [false, true, false] },
      ...(problem.clear ? [{ finish: 'clear-two-part', open: painted }] : []),
    ];
    let progress = startProgress(problem);
    return finishes.map((choice) => {
      const stage = stageCost(problem, progress, { ...choice, keep: false });
      progress = stage.after;
      return stage;
    });
  };
  it('lays the edge against what is kept once, and pulls it with the last coat', () => {
    const stages = run(true, layers);
    expect(stages.map(({ tapeM }) => tapeM)).toEqual([5, 1, 1, 0]);
    expect(stages.map(({ pullMin }) => pullMin > 0)).toEqual([false, true, true, true]);
    expect(stages[3]!.pullMin).toBeCloseTo(
      5 * RULE_OF_THUMB.pullPerMetre + 2 * RULE_OF_THUMB.pullPerPiece + uncoverMin(coverOver(areas[2]!)),
      9,
    );
    expect(stages[3]!.after.kept).toEqual([]);
    expect(run(false, layers).map(({ tapeM }) => tapeM)).toEqual([5, 3, 4, 5]);
  });
  it('lays edges of later colours as they are opened where there is no primer', () => {
    const { primer: _, ...cleared } = layers;
    expect(run(true, cleared).map(({ tapeM }) => tapeM)).toEqual([3, 4, 0]);
  });
  it('pulls with the first colour that is finished, in its window, where no clear follows', () => {
    const { clear: _, ...primed } = layers;
    const stages = run(true, primed);
    expect(stages.map(({ tapeM }) => tapeM)).toEqual([5, 1, 4]);
    expect(stages[1]!.pulled?.masks).toHaveLength(2);
  });
  it('comes off with a later stage where it was left on past the last colour of its part', () => {
    const apart = [...areas, sampleArea(3, GREEN, { part: 'q' })].map((area, index) =>
      index === 1 ? { ...area, finish: CREAM } : area,
    );
    const opened = [true, true, false, true];
    const problem = sampleProblem(apart, borders, {
      rules: { ...NO_RULES, through: true },
      ...layers,
      primer: { finish: 'filler-buff', areas: opened },
      clear: null,
    });
    const choices = [
      { finish: 'filler-buff', open: opened, keep: false },
      { finish: CREAM, open: [true, true, false, false], keep: true },
      { finish: GREEN, open: [false, false, false, true], keep: false },
    ];
    const stages = choices.reduce<StageCost[]>(
      (costs, choice) => [...costs, stageCost(problem, costs.at(-1)?.after ?? startProgress(problem), choice)],
      [],
    );
    expect(stages.map(({ pullMin }) => pullMin > 0)).toEqual([false, false, true]);
    expect(stages[2]!.after.kept).toEqual([]);
  });
  it('is told late where no tape lasts so long', () => {
    expect(
      run(true, { ...layers, lastsH: () => 3, shortestHours: 3 }).some(({ forbidden }) => forbidden.includes('late')),
    ).toBe(true);
  });
});

describe('attached parts', () => {
  const areas = [sampleArea(0, CREAM), sampleArea(1, GREEN, { part: 'q' })];
  const attached = new Map([
    ['p', ['q']],
    ['q', ['p']],
  ]);
  it('are covered whole while the other is sprayed, once what is on them takes tape', () => {
    const problem = sampleProblem(areas, [], { attached });
    const first = open(problem, GREEN, [false, true]);
    expect(first.drapeM2).toBe(areas[0]!.sizeM2);
    const next = stageCost(problem, first.after, { finish: CREAM, open: [true, false], keep: false });
    expect(next.waits.tapeMin).toBeGreaterThan(0);
    expect(next.drapeM2).toBe(areas[1]!.sizeM2);
  });
  it('neither wait for nor cover one another where they are detached', () => {
    const problem = sampleProblem(areas, []);
    const first = open(problem, GREEN, [false, true]);
    const next = stageCost(problem, first.after, { finish: CREAM, open: [true, false], keep: false });
    expect([first.drapeM2, next.drapeM2, next.waits.tapeMin]).toEqual([0, 0, 0]);
  });
});

describe('the gun', () => {
  const change = (problem: OrderProblem, first: string, then: string) => {
    const guns: Record<string, string> = {};
    gunChangeMinutes(problem, guns, problem.finishes.get(first) as never);
    return gunChangeMinutes(problem, guns, problem.finishes.get(then) as never);
  };
  const problem = pair(COPPER, CREAM);
  it('is stripped down after flakes before a solid, not the other way round', () =>
    expect(change(problem, COPPER, CREAM) - change(problem, CREAM, COPPER)).toBe(STAGE_RULES.gunStrip));
  it('is spared by a second one, unless both are wanted through the same', () => {
    const two = new Map(problem.finishes);
    two.set(COPPER, { ...(problem.finishes.get(COPPER) as ReturnType<typeof typicalFinish>), gun: 'fine tip' });
    const apart = { ...problem, finishes: two };
    expect(change(apart, COPPER, CREAM)).toBe(RULE_OF_THUMB.mix + RULE_OF_THUMB.gate);
    const same = { ...apart, rules: { ...NO_RULES, sameGun: [[CREAM, COPPER]] as const } };
    expect(gunOf(same, two.get(COPPER) as never)).toBe(gunOf(same, two.get(CREAM) as never));
    expect(change(same, COPPER, CREAM)).toBe(RULE_OF_THUMB.mix + RULE_OF_THUMB.gate + STAGE_RULES.gunStrip);
  });
});

describe('rules that cannot hold', () => {
  const three = sampleProblem(
    [sampleArea(0, CREAM), sampleArea(1, GREEN), sampleArea(2, null)],
    [sampleBorder(0, 1, 2)],
  );
  const faults = (rules: Partial<OrderProblem['rules']>) =>
    consistentRules({ ...three, rules: { ...NO_RULES, ...rules } }).faults.map(say);
  it.each([
    [
      'a circle',
      {
        before: [
          { first: CREAM, then: GREEN },
          { first: GREEN, then: CREAM },
        ],
      },
      /cannot hold together/,
    ],
    [
      'an order against a pair',
      { order: [GREEN, CREAM], before: [{ first: CREAM, then: GREEN }] },
      /asked the other way round/,
    ],
    ['an own area covered', { pins: [{ finish: CREAM, area: 0, open: false }] }, /gets Cream.* cannot be covered/],
    ['a kept area open', { pins: [{ finish: CREAM, area: 2, open: true }] }, /is kept and cannot be open/],
    [
      'open and covered at once',
      {
        pins: [
          { finish: CREAM, area: 1, open: true },
          { finish: CREAM, area: 1, open: false },
        ],
      },
      /open and covered/,
    ],
    ['too few stages', { mostStages: 1 }, /It takes 2 stages/],
  ])('%s is told in a sentence', (_, rules, said) => {
    expect(faults(rules)).toEqual([expect.stringMatching(said)]);
    expect(searchOrder({ ...three, rules: { ...NO_RULES, ...rules } }).sequences.length).toBeGreaterThan(0);
  });
  it('says nothing about rules that hold', () =>
    expect(
      faults({
        before: [{ first: CREAM, then: GREEN }],
        pins: [{ finish: CREAM, area: 1, open: true }],
        mostStages: 2,
      }),
    ).toEqual([]));
});

describe('every sequence', () => {
  it('paints each area once and opens none that is kept or painted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(CREAM, GREEN, COPPER, null), { minLength: 1, maxLength: 6 }),
        fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 1, max: 40 })), { maxLength: 7 }),
        fc.constantFrom('fresh', 'free'),
        (finishes, pairs, masks) => {
          const borders = pairs
            .filter(([a, b]) => a !== b && a < finishes.length && b < finishes.length)
            .map(([a, b, length]) => sampleBorder(a, b, length / 10));
          const problem = sampleProblem(
            finishes.map((finish, index) => sampleArea(index, finish)),
            borders,
            { rules: { ...NO_RULES, masks: masks as 'fresh' | 'free' } },
          );
          return searchOrder(problem).sequences.every(
            ({ stages }) =>
              stages.length === finishesInUse(problem).length &&
              stages.every(({ open: opened, finish }, index) => {
                const done = index > 0 ? stages[index - 1]!.after.painted : [];
                return problem.areas.every((area, at) =>
                  area.finish === finish ? opened[at] : !opened[at] || (area.finish !== null && !done[at]),
                );
              }),
          );
        },
      ),
      { numRuns: depth(10, 60) },
    );
  });
  it('opens a kept neighbour only while its own finish is sprayed', () => {
    const problem = sampleProblem(
      [sampleArea(0, CREAM), sampleArea(1, null, { alike: CREAM }), sampleArea(2, GREEN)],
      [sampleBorder(0, 1, 20), sampleBorder(1, 2, 1)],
    );
    const { stages } = searchOrder(problem).sequences[0]!;
    expect(stages.find(({ finish }) => finish === CREAM)?.open[1]).toBe(true);
    expect(stages.find(({ finish }) => finish === GREEN)?.open[1]).toBe(false);
  });
});

describe('edge cases', () => {
  it('everything kept: nothing to do', () =>
    expect(searchOrder(sampleProblem([sampleArea(0, null)], []))).toEqual({ sequences: [], complete: true, gap: 0 }));
  it('one finish: one stage, proven', () => {
    const { sequences, complete, gap } = searchOrder(pair(CREAM, null));
    expect([sequences.length, sequences[0]!.stages.length, complete, gap]).toEqual([1, 1, true, 0]);
  });
  it('a hundred areas and eight finishes: an answer with its bound', () => {
    const ids = [...sampleProblem([], []).finishes.keys()]
      .slice(0, 5)
      .concat('signal-base', 'slate-base-water', 'gull-fabric');
    const areas = Array.from({ length: 100 }, (_, index) =>
      sampleArea(index, ids[(index * 7) % 8]!, { part: `p${index % 10}`, sizeM2: 0.1 + (index % 9) / 10 }),
    );
    const borders = Array.from({ length: 90 }, (_, index) => sampleBorder(index, index + 10, 0.5 + (index % 4)));
    const { sequences, gap } = searchOrder(
      sampleProblem(areas, borders, { rules: { ...NO_RULES, masks: 'fresh' } }),
      60,
    );
    expect(sequences[0]!.stages).toHaveLength(8);
    expect(gap).toBeLessThan(0.25);
  });
  it('more finishes than the exact bound can hold are ordered too, with a bound that never claims too much', () => {
    const finishes = Array.from({ length: 14 }, (_, index) =>
      typicalFinish(`f${index}`, `F${index}`, 'air-acrylic', `#${(index * 17).toString(16).padStart(2, '0')}6080`, 20),
    );
    const areas = finishes.map(({ id }, index) => sampleArea(index, id, { sizeM2: 0.05 }));
    const { sequences, complete, gap } = searchOrder(
      sampleProblem(
        areas,
        areas.slice(1).map((_, index) => sampleBorder(index, index + 1, 0.3)),
        { finishes: new Map(finishes.map((finish) => [finish.id, finish])) },
      ),
      30,
    );
    expect(sequences[0]!.stages).toHaveLength(14);
    expect(complete).toBe(gap === 0);
    expect(gap).toBeGreaterThanOrEqual(0);
    expect(gap).toBeLessThan(1);
  });
  it('the same effort gives the same answer', () => {
    const problem = () =>
      sampleProblem(
        Array.from({ length: 9 }, (_, index) =>
          sampleArea(index, [CREAM, GREEN, COPPER, 'ink-two-part'][index % 4]!, { sizeM2: 0.2 + index / 10 }),
        ),
        Array.from({ length: 8 }, (_, index) => sampleBorder(index, index + 1, 1 + index / 3)),
      );
    const told = () => JSON.stringify(searchOrder(problem(), 60).sequences.map(({ order, score }) => [order, score]));
    expect(told()).toBe(told());
  });
});
