import { planFaults } from '../check';
import type { Plan } from '../contract';
import { planDay } from '../day';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import type { PartId } from '../kit';
import { days, shop } from '../testing/days';
import { planJob } from './plan';

const BANDS = 9;
/** Long boards of bands, each masked on both sides. */
const boards = (finish: string, count: number, bands: number) => {
  const lines = Array.from({ length: 2 * bands }, (_, index) => ({
    kind: 'straight' as const,
    id: `l${index}`,
    name: `L${index}`,
    runOn: true,
    datum: 'base',
    from: { along: 0, above: 50 + 100 * index },
    to: { along: 3000, above: 50 + 100 * index },
  }));
  const board = {
    id: 'board',
    name: 'Board',
    count,
    substrate: 'steel',
    present: { system: 'two-part', colour: '#e8e4da', ageH: 9000 },
    surface: { kind: 'flat', outline: { kind: 'rectangle', width: 3000, height: 1900 } },
    datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    lines,
  } as unknown as Part;
  const areas = Array.from({ length: bands }, (_, band) => ({ part: 'board', seed: [1500, 100 + 200 * band], finish }));
  return { parts: [board], scheme: { areas } };
};
const soundPlan = (design: Design): Plan => {
  const plan = planJob(design, SHIPPED_SHELF);
  expect(planFaults(plan)).toEqual([]);
  return plan;
};
const planned = (finish: string, count: number, choices: Partial<Design['choices']> = {}, bands = BANDS): Plan =>
  soundPlan({
    ...emptyDesign('Bands', 'boat'),
    ...boards(finish, count, bands),
    choices: { order: null, school: null, ...choices },
  } as unknown as Design);
const codes = ({ advice }: Plan) => advice.map(({ code }) => code);
const turnsOf = ({ steps }: Plan) => {
  const first = steps.findLastIndex(({ kind, say }) => kind === 'coat' && say.values.coat !== say.values.coats);
  return steps.slice(first + 1).filter(({ kind }) => kind === 'coat' || kind === 'pull');
};

it('rubber that is pulled wet closes its window also for many hands', () => {
  const [stage] = planned('rubber-black', 4).stages;
  const { pull, hands } = stage!;
  expect(hands).toBeGreaterThan(1);
  expect(stage!.pullMin / hands).toBeLessThanOrEqual(pull!.toMin! - pull!.fromMin + 1e-6);
});

it('where it takes several to pull in time, one alone is told how, and planned so when that is chosen', () => {
  const several = planned('ivory-brush', 3, { school: 'wet' });
  expect(several.stages[0]!.hands).toBeGreaterThan(1);
  expect(several.stages[0]!.alone).toMatchObject({ sections: 3 * BANDS });
  expect(several.advice.find(({ code }) => code === 'advice.hands')!.values).toMatchObject({
    alone: { code: 'advice.alone' },
  });
  const alone = planned('ivory-brush', 3, { school: 'wet', alone: true });
  const [stage] = alone.stages;
  expect(stage).toMatchObject({ hands: 1, school: 'wet' });
  expect(stage!.sections).toHaveLength(3 * BANDS);
  expect(codes(alone)).not.toContain('advice.hands');
  for (const { needs } of alone.steps) expect(needs.filter((need) => need === 'person').length).toBeLessThan(2);
  // The same work, in turns that begin with a coat and end with a pull, all of it in the window of its own section.
  expect(stage!.coatMin).toBeCloseTo(several.stages[0]!.coatMin, 6);
  expect(stage!.pullMin).toBeCloseTo(several.stages[0]!.pullMin, 6);
  const turns = turnsOf(alone).map(({ kind }) => kind);
  expect(turns.length).toBeGreaterThan(2);
  expect(turns).toEqual(turns.map((_, index) => (index % 2 === 0 ? 'coat' : 'pull')));
  for (const { paintedMin, pullMin, offMin } of stage!.sections!) {
    expect(pullMin - paintedMin).toBeGreaterThanOrEqual(stage!.pull!.fromMin - 1e-6);
    expect(offMin - paintedMin).toBeLessThanOrEqual(stage!.pull!.toMin! + 1e-6);
  }
});

it('what is sprayed is divided into pieces, never within one: its mist would reach what is pulled beside it', () => {
  const plan = planned('tomato-can', 1, { school: 'wet', alone: true }, 3);
  expect(plan.stages[0]!.sections).toBeUndefined();
  const many = planned('tomato-can', 12, { school: 'wet', alone: true }, 2);
  expect(many.stages[0]!.sections).toHaveLength(12);
  expect(many.stages[0]!.sections!.every(({ area }) => area === null)).toBe(true);
  const [first] = turnsOf(many).filter(({ kind }) => kind === 'pull');
  expect(first!.say.values).toMatchObject({
    more: 'mist',
    sections: [{ code: 'section.of', values: { part: 'Board', areas: [], first: 1, of: 12 } }],
  });
});

it('sprayed parts that hang together are not divided', () => {
  const row = (attached: boolean): Plan => {
    const { parts } = boards('tomato-can', 1, 2);
    const many = Array.from({ length: 12 }, (_, index) => ({
      ...parts[0]!,
      id: `board-${index}` as PartId,
      name: `Board ${index}`,
      ...(attached && index > 0 ? { attached: ['board-0' as PartId] } : {}),
    }));
    const design = {
      ...emptyDesign('Row', 'boat'),
      parts: many,
      scheme: {
        areas: many.flatMap(({ id }) =>
          [100, 300].map((y) => ({ part: id, seed: [1500, y] as const, finish: 'tomato-can' })),
        ),
      },
      choices: { order: null, school: 'wet', alone: true },
    };
    return soundPlan(design as unknown as Design);
  };
  expect(row(false).stages[0]!.sections).toHaveLength(12);
  expect(row(true).stages[0]!.sections).toBeUndefined();
});

it('where no section can be done in time that is said, and nothing is divided', () => {
  const plan = planned('rubber-black', 4, { alone: true });
  expect(plan.stages[0]!.sections).toBeUndefined();
  expect(codes(plan)).toEqual(expect.arrayContaining(['advice.hands', 'advice.not-alone']));
});

it('a school that was given up for want of time may be kept in sections; where one has the time nothing is said', () => {
  const [many, few] = [planned('sea-green-two-part', 12), planned('sea-green-two-part', 1)];
  expect(many.stages[0]).toMatchObject({ school: 'touch', hands: 1 });
  expect(many.advice.find(({ code }) => code === 'advice.sections')!.values).toMatchObject({
    wanted: 'wet',
    school: 'touch',
  });
  expect(few.stages[0]).toMatchObject({ school: 'wet', hands: 1, alone: null });
  expect(codes(few)).not.toContain('advice.sections');
});

it('a plan whose sections are not pulled in their window is at fault', () => {
  const plan = planned('ivory-brush', 3, { school: 'wet', alone: true });
  const [stage] = plan.stages;
  const late = stage!.sections!.map((section, index) =>
    index === 0 ? { ...section, pullMin: section.pullMin + 40, offMin: section.offMin + 40 } : section,
  );
  expect(planFaults({ ...plan, stages: [{ ...stage!, sections: late }] }).map(({ code }) => code)).toContain(
    'broken.section',
  );
  const moved = plan.windows.map((window) =>
    window.id.includes(':pull:1<') ? { ...window, closesMin: window.closesMin! + 5 } : window,
  );
  expect(planFaults({ ...plan, windows: moved }).map(({ code }) => code)).toContain('broken.window');
});

it('the day of one person keeps the turns', () => {
  const plan = planned('ivory-brush', 3, { school: 'wet', alone: true });
  const turns = turnsOf(plan);
  const first = plan.steps.findIndex(({ id }) => id === turns[0]!.id);
  const doneMin = new Map(plan.steps.slice(0, first).map(({ id }) => [id as string, 480]));
  const day = planDay([{ id: 'bands', title: 'Bands', steps: plan.steps, doneMin }], shop, days, 1000);
  expect(day.troubles).toEqual([]);
  const at = new Map(day.schedule!.placed.map((assignment) => [assignment.task, assignment]));
  const placed = turns.map(({ id }) =>
    at.get(day.work.find(({ steps }) => steps.some((step) => step.id === id))!.task.id)!,
  );
  placed
    .slice(1)
    .forEach((assignment, index) => expect(assignment.startMin).toBeGreaterThanOrEqual(placed[index]!.endMin - 1e-6));
  // What is folded up after the last pull goes on with it: the pull alone is asked.
  turns.forEach(({ kind, after, startMin, endMin }, index) => {
    if (kind !== 'pull') return;
    for (const rule of after.filter(({ code }) => code === 'pull')) {
      const coat = placed[turns.findIndex(({ id }) => id === rule.step)]!;
      expect(placed[index]!.startMin + endMin - startMin - coat.endMin).toBeLessThanOrEqual(rule.maxMin! + 1e-6);
    }
  });
});
