import { wordsFor } from '@lintrel/words';
import { carryScheme, giveFinish } from '../edit';
import { isLine } from '../items';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { firstItem, firstTwo } from '../kit';
import { tapeFitsOfLine } from '../setout';
import { panel, panelJob, planned } from '../testing/panels';
import { straight } from '../testing/samples';
import { planJob } from './plan';

const { caution } = wordsFor();

const part = (over: Partial<Part> = {}): Part => ({
  id: 'side',
  name: 'Side',
  count: 1,
  substrate: 'aluminium',
  present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 96 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 2000, height: 1000 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [
    {
      kind: 'sweep',
      id: 'waist',
      name: 'Waist',
      runOn: true,
      datum: 'base',
      points: [
        { along: 0, above: 500 },
        { along: 1000, above: 600 },
        { along: 2000, above: 450 },
      ],
    },
    { kind: 'parallel', id: 'coach', name: 'Coach', runOn: true, of: 'waist', offset: -6 },
  ],
  ...over,
});

function job(over: Partial<Design> = {}, parts = [part()]): Design {
  const design: Design = { ...emptyDesign('Test', 'road'), parts, ...over };
  return planJob(design, SHIPPED_SHELF).parts[0]!.areas.reduce((given, area) => {
    const finish =
      area.sizeM2 < 0.05 ? 'copper-two-part' : area.seed[1] > 550 ? 'cream-two-part' : 'sea-green-two-part';
    return giveFinish(given, 'side', area, finish);
  }, design);
}

const straightAcross: Part['lines'][number] = {
  kind: 'straight',
  id: 'across',
  name: 'Across',
  runOn: true,
  datum: 'base',
  from: { along: 0, above: 500 },
  to: { along: 2000, above: 500 },
};

describe('planJob', () => {
  const plan = planJob(job(), SHIPPED_SHELF);

  it('is the same, to the byte, for the same input', () => {
    expect(JSON.stringify(planJob(JSON.parse(JSON.stringify(job())) as Design, SHIPPED_SHELF))).toBe(
      JSON.stringify(plan),
    );
  });

  it('gives every area its finish in the end, and paints each once', () => {
    const last = plan.stages.at(-1)!.pictures[0]!.areas;
    for (const area of plan.parts[0]!.areas)
      expect(last.find(({ code }) => code === area.code)?.colour).toBe(area.colour);
    expect(plan.stages.map(({ finish }) => finish).sort()).toEqual([
      'copper-two-part',
      'cream-two-part',
      'sea-green-two-part',
    ]);
  });

  it('lays every run on a covered area, along the line, with tape to spare', () => {
    const runs = plan.items.filter(isLine);
    expect(runs.length).toBeGreaterThan(2);
    for (const run of runs) {
      const line = plan.parts[0]!.lines.find(({ id }) => id === run.line);
      expect(run.from).toBeGreaterThanOrEqual(-0.001);
      expect(run.to).toBeLessThanOrEqual((line?.lengthMm ?? 0) + 0.001);
      expect(run.lengthMm).toBeCloseTo(run.edgeMm / (1 + run.stretch) + 40, 3);
      expect(run.doubts).toEqual([]);
    }
  });

  it('covers a 6 mm coach line with one 6 mm tape where both sides of it are sprayed, and with its neighbour where one is', () => {
    const [low, high] = [straight('low', [0, 200], [800, 200]), straight('high', [0, 206], [800, 206])];
    const coach = (above: string | null) =>
      planned(
        panelJob(
          [panel('p', 800, 500, { lines: [low, high] })],
          [
            ['p', 400, 100, 'cream-two-part'],
            ['p', 400, 203, null],
            ['p', 400, 400, above],
          ],
        ),
      );
    const strip = coach('cream-two-part');
    expect(strip.items.map(({ kind }) => kind)).toEqual(['line']);
    expect(strip.items[0]).toMatchObject({ widthMm: 6, area: expect.stringContaining('low') as string });
    expect(coach(null).items.map(({ kind }) => kind)).toEqual(['backing', 'cover', 'cover', 'line']);
  });

  it('counts alike parts', () => {
    const twice = planJob(job({}, [part({ count: 2 })]), SHIPPED_SHELF);
    const metres = (of: typeof plan) => of.lists.tape.reduce((sum, { lengthM }) => sum + lengthM, 0);
    expect(metres(twice)).toBeCloseTo(2 * metres(plan), 5);
  });

  it('writes its steps in the order of the work, each after steps before it', () => {
    const seen = new Set<string>();
    for (const step of plan.steps) {
      for (const rule of step.after) expect(seen.has(rule.step)).toBe(true);
      expect(seen.has(step.id)).toBe(false);
      seen.add(step.id);
    }
    const kinds = plan.steps.filter(({ stage, attended }) => stage === 1 && attended).map(({ kind }) => kind);
    const order = [
      'abrade',
      'plug',
      'lay',
      'cover',
      'gate',
      'prime',
      'gun-strip',
      'mix',
      'coat',
      'pull',
      'gun-clean',
      'uncover',
      'unplug',
      'inspect',
    ];
    expect(kinds).toEqual([...kinds].sort((a, b) => order.indexOf(a) - order.indexOf(b)));
  });

  it('puts its steps end to end without a gap, the last coat where its stage says', () => {
    plan.steps.slice(1).forEach((step, index) => expect(step.startMin).toBeCloseTo(plan.steps[index]!.endMin, 5));
    for (const { session, coats, lastCoatMin } of plan.stages)
      expect(plan.steps.find(({ id }) => id === `${session}:coat:${coats}`)?.endMin).toBeCloseTo(lastCoatMin, 5);
  });

  it('names things so that a run sheet still points at the same tape when a line has moved a little', () => {
    const waist = part().lines[0]!;
    const moved = part({
      lines: [
        waist.kind === 'sweep'
          ? { ...waist, points: waist.points.map(({ along, above }) => ({ along, above: above + 7 })) }
          : waist,
        part().lines[1]!,
      ],
    });
    const after = planJob(carryScheme(job(), { ...job(), parts: [moved] }), SHIPPED_SHELF);
    expect(after.steps.map(({ id }) => id)).toEqual(plan.steps.map(({ id }) => id));
    expect(after.items.map(({ id }) => id).sort()).toEqual(plan.items.map(({ id }) => id).sort());
    expect(after.parts[0]!.areas.map(({ id }) => id)).toEqual(['left:waist', 'left:coach+right:waist', 'right:coach']);
  });

  it('takes the order and the school a person has chosen', () => {
    const order = ['copper-two-part', 'sea-green-two-part', 'cream-two-part'];
    const chosen = planJob(job({ choices: { order, school: 'touch' } }), SHIPPED_SHELF);
    expect(chosen.stages.map(({ finish }) => finish)).toEqual(order);
    expect(chosen.stages.filter(({ pull }) => pull).every(({ school }) => school === 'touch')).toBe(true);
    expect(chosen.orders.filter((sequenceSummary) => sequenceSummary.chosen)).toHaveLength(1);
  });

  it('warns of cold, of damp and of tape that will not stick', () => {
    const cold = planJob(job({ climate: { airC: 6, rhPercent: 95, surfaceC: 6, movement: 'still' } }), SHIPPED_SHELF);
    expect(cold.advice.filter(({ level }) => level === 'stop').map(({ code }) => code)).toContain('advice.dew');
    expect(cold.advice.map(({ code }) => code)).toContain('advice.cold');
    expect(
      cold.items.filter(isLine).some(({ doubts }) => doubts.some(({ code }) => code.startsWith('doubt.cold'))),
    ).toBe(true);
  });

  it('tells each usual caution once, at the first step it applies to', () => {
    expect(plan.safety).toEqual(['solvent', 'dust', 'blade', 'static', 'isocyanate', 'spray', 'road']);
    expect(plan.steps.flatMap(({ kind, safety }) => safety.map((code) => [kind, code]))).toEqual([
      ['wash', 'solvent'],
      ['abrade', 'dust'],
      ['lay', 'blade'],
      ['cover', 'static'],
      ['mix', 'isocyanate'],
      ['coat', 'spray'],
      ['inspect', 'road'],
    ]);
    for (const code of plan.safety) expect(caution(code).length).toBeGreaterThan(30);
  });

  it.each([
    ['no part', { ...emptyDesign('x', 'boat') }],
    ['a part without lines', { ...emptyDesign('x', 'boat'), parts: [part({ lines: [] })] }],
    ['lines without finishes', { ...emptyDesign('x', 'boat'), parts: [part()] }],
  ])('answers for %s', (_, design) => {
    const empty = planJob(design, SHIPPED_SHELF);
    expect(empty.stages).toEqual([]);
    expect(empty.steps).toEqual([]);
    expect(empty.parts).toHaveLength(design.parts.length);
  });

  it('paints one area in one stage without any tape', () => {
    const design = { ...emptyDesign('x', 'boat'), parts: [part({ lines: [] })] };
    const area = firstItem(planJob(design, SHIPPED_SHELF).parts[0]!.areas);
    const simple = planJob(giveFinish(design, 'side', area, 'signal-base'), SHIPPED_SHELF);
    expect(simple.items).toEqual([]);
    expect(simple.stages[0]!.pull).toBeNull();
    const attended = simple.steps.filter((step) => step.attended).map(({ kind }) => kind);
    expect(attended).toEqual([
      'wash',
      'abrade',
      'gate',
      'mix',
      ...Array.from({ length: simple.stages[0]!.coats }, () => 'coat'),
      'gun-clean',
      'inspect',
    ]);
  });

  it('tells of a line off the part and of one that ends free', () => {
    const lines = [
      {
        kind: 'straight' as const,
        id: 'off',
        name: 'Off',
        runOn: false,
        datum: 'base',
        from: { along: 0, above: 3000 },
        to: { along: 10, above: 3000 },
      },
      {
        kind: 'straight' as const,
        id: 'free',
        name: 'Free',
        runOn: false,
        datum: 'base',
        from: { along: 0, above: 300 },
        to: { along: 900, above: 300 },
      },
    ];
    const { advice } = planJob({ ...emptyDesign('x', 'boat'), parts: [part({ lines })] }, SHIPPED_SHELF);
    expect(advice.find(({ place }) => place.line === 'off')).toMatchObject({
      level: 'stop',
      values: { fault: { code: 'line.outside' } },
    });
    expect(advice.find(({ place }) => place.line === 'free')).toMatchObject({
      level: 'caution',
      values: { lengthMm: 900 },
    });
  });
});

describe('finishes', () => {
  it('follow their areas when a line moves, and a removed part takes its own along', () => {
    const before = job();
    const [waist, coach] = firstTwo(before.parts[0]!.lines);
    const moved: Design = {
      ...before,
      parts: [
        part({
          lines: [
            waist.kind === 'sweep'
              ? { ...waist, points: waist.points.map(({ along, above }) => ({ along, above: above + 150 })) }
              : waist,
            coach,
          ],
        }),
      ],
    };
    const names = (design: Design) => planJob(design, SHIPPED_SHELF).parts[0]!.areas.map(({ finish }) => finish);
    expect(names(carryScheme(before, moved)).filter((finish) => finish === 'cream-two-part')).toHaveLength(1);
    expect(names(carryScheme(before, moved))).toContain('sea-green-two-part');
    expect(carryScheme(before, { ...before, parts: [] }).scheme.areas).toEqual([]);
  });

  it('are replaced, not added, when an area is given another', () => {
    const design = job();
    const area = firstItem(planJob(design, SHIPPED_SHELF).parts[0]!.areas);
    const again = giveFinish(giveFinish(design, 'side', area, 'signal-base'), 'side', area, null);
    expect(again.scheme.areas).toHaveLength(design.scheme.areas.length);
    expect(planJob(again, SHIPPED_SHELF).parts[0]!.areas[0]).toMatchObject({ finish: null, chosen: true });
  });
});

it('fitsOfLine tries every tape on both sides', () => {
  const fits = tapeFitsOfLine([part()], part().id, 'waist', SHIPPED_SHELF.tapes);
  expect(fits.map(({ tape }) => tape)).toEqual(SHIPPED_SHELF.tapes.map(({ code }) => code));
  expect(fits.filter(({ crisp }) => crisp)).toHaveLength(
    SHIPPED_SHELF.tapes.filter(({ edge }) => edge === 'crisp').length,
  );
  expect(fits.every(({ left, right }) => left.verdict !== 'impossible' && right.verdict !== 'impossible')).toBe(true);
  expect(tapeFitsOfLine([part()], part().id, 'nowhere', SHIPPED_SHELF.tapes)).toEqual([]);
});

it('nobody waits for the colour of a part that is not sprayed, and so not taped, in a stage', () => {
  const plain = (id: string): Part => part({ id, name: id, lines: [straightAcross] });
  const two: Design = { ...emptyDesign('Two doors', 'road'), parts: [plain('left'), plain('right')] };
  const painted = [
    ['left', 100, 'cream-two-part'],
    ['left', 900, null],
    ['right', 100, 'sea-green-two-part'],
    ['right', 900, null],
  ] as const;
  const design: Design = {
    ...two,
    scheme: { areas: painted.map(([id, y, finish]) => ({ part: id, seed: [50, y] as [number, number], finish })) },
  };
  const { stages, steps } = planJob(design, SHIPPED_SHELF);
  expect(stages).toHaveLength(2);
  expect(steps.flatMap(({ after }) => after).filter(({ code }) => code === 'tape-safe')).toEqual([]);
  expect(steps.filter(({ say: { code } }) => code === 'step.wait-tape-safe')).toEqual([]);
});
