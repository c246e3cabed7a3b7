import { emptyDesign, SHIPPED_SHELF, type Design, type Part } from '../job';
import { planFaults, planJob, type Plan } from '.';

const BANDS = 9;
/** A long board of bands, each masked on both sides. */
const planned = (finish: string, count: number): Plan => {
  const lines = Array.from({ length: 2 * BANDS }, (_, index) => ({
    kind: 'straight' as const,
    id: `l${index}`,
    name: `L${index}`,
    runOn: true,
    datum: 'base',
    from: { along: 0, above: 50 + 100 * index },
    to: { along: 6000, above: 50 + 100 * index },
  }));
  const board = {
    id: 'board',
    name: 'Board',
    count,
    substrate: 'steel',
    present: { system: 'two-part', colour: '#e8e4da', ageH: 9000 },
    surface: { kind: 'flat', outline: { kind: 'rectangle', width: 6000, height: 1900 } },
    datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    lines,
  } as unknown as Part;
  const areas = Array.from({ length: BANDS }, (_, band) => ({ part: 'board', seed: [3000, 100 + 200 * band], finish }));
  return planJob({ ...emptyDesign('Bands', 'boat'), parts: [board], scheme: { areas } } as unknown as Design, SHIPPED_SHELF);
};

it.each([1, 4])('rubber that is pulled wet closes its window also for many hands; one alone paints and pulls in turns (%i boards)', (count) => {
  const plan = planned('rubber-black', count);
  expect(planFaults(plan)).toEqual([]);
  const [stage] = plan.stages;
  const { alone, pull, hands } = stage!;
  expect(hands).toBeGreaterThan(1);
  expect(pull!.toMin).not.toBeNull();
  expect(stage!.pullMin / hands).toBeLessThanOrEqual(pull!.toMin! - pull!.fromMin + 1e-6);
  expect(alone!.sections).toBe(BANDS * count);
  // With so many ahead the oldest is pulled in its window, with one more it is not.
  const [paintMin, pullMin] = [stage!.coatMin / stage!.coats / alone!.sections, stage!.pullMin / alone!.sections];
  const waits = (ahead: number) => (ahead - 1) * Math.max(paintMin, pullMin) + pullMin;
  expect(waits(alone!.ahead)).toBeLessThanOrEqual(pull!.toMin! + 1e-6);
  expect(waits(alone!.ahead + 1)).toBeGreaterThan(pull!.toMin!);
  expect(alone!.totalMin).toBeGreaterThanOrEqual(stage!.coatMin / stage!.coats + stage!.pullMin - 1e-6);
  for (const kind of ['coat', 'pull'] as const)
    expect(plan.steps.findLast((step) => step.kind === kind)!.say.values).toMatchObject({ alone: { code: 'advice.alone', values: alone } });
  expect(plan.advice.find(({ code }) => code === 'advice.hands')!.values).toMatchObject({ alone: { code: 'advice.alone' } });
});
it('a school that was given up for want of time may be kept in sections; where one has the time nothing is said', () => {
  const [many, few] = [planned('sea-green-two-part', 4), planned('sea-green-two-part', 1)];
  expect(many.stages[0]).toMatchObject({ school: 'touch', hands: 1 });
  expect(many.advice.find(({ code }) => code === 'advice.sections')!.values).toMatchObject({ wanted: 'wet', school: 'touch' });
  expect(few.stages[0]).toMatchObject({ school: 'wet', hands: 1, alone: null });
  expect(few.advice.map(({ code }) => code)).not.toContain('advice.sections');
});
