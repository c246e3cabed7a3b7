import { carryScheme, forgetAtPoint, giveFinish } from '../edit';
import { type Design, designFaults, emptyDesign, type Part, type PartAreaChoice, SHIPPED_SHELF } from '../job';
import { firstItem } from '../kit';
import { planJob } from '../plan';
import { BOARD, samplePart, straight } from '../testing/samples';
import { layoutFaults } from './layout-faults';

const first = firstItem(SHIPPED_SHELF.finishes);
const part = (changes: Partial<Part> = {}): Part => ({
  ...(samplePart({ id: 'board', name: 'Board', surface: BOARD }) as Part),
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [straight('waist', [0, 200], [1000, 200], true)],
  ...changes,
});
const at = (x: number, y: number): PartAreaChoice => ({ part: 'board', seed: [x, y], finish: first.id });
const jobWith = (areas: PartAreaChoice[], one = part(), more: Partial<Design> = {}): Design => ({
  ...emptyDesign('T', 'other'),
  parts: [one],
  scheme: { areas },
  ...more,
});
const hole = {
  kind: 'opening',
  id: 'h',
  name: 'H',
  datum: 'base',
  use: 'hole',
  shape: { kind: 'round', at: { along: 500, above: 100 }, diameter: 80 },
} as const;

it('a sound design has none', () => expect(layoutFaults(jobWith([at(10, 10), at(10, 400)]))).toEqual([]));

it.each<[string, [number, number], Part]>([
  ['beside the part', [1200, 100], part()],
  ['in an opening', [500, 100], part({ features: [hole] })],
])('a finish given to a place %s is a fault of the file, named, told in the plan, and not dropped', (_, seed, one) => {
  const design = jobWith([at(10, 10), at(...seed)], one);
  expect(designFaults(design, SHIPPED_SHELF)).toEqual([]);
  expect(layoutFaults(design, ['design'])).toEqual([
    {
      path: 'design.scheme.areas[1].seed',
      code: 'design.no-area',
      values: { alongMm: seed[0], aboveMm: seed[1], part: 'Board' },
    },
  ]);
  const plan = planJob(design, SHIPPED_SHELF);
  expect(plan.parts[0]!.lost).toEqual([{ seed, finish: first.id }]);
  expect(plan.advice).toContainEqual(
    expect.objectContaining({ level: 'stop', code: 'advice.lost', place: { part: 'board', line: null, area: null } }),
  );
  // Moving a line leaves it as it is; giving an area its finish too; only a person leaves it out.
  const moved = carryScheme(design, {
    ...design,
    parts: [{ ...one, lines: [straight('waist', [0, 210], [1000, 210], true)] }],
  });
  expect(moved.scheme.areas.map((choice) => choice.seed)).toContainEqual(seed);
  const given = giveFinish(design, 'board', plan.parts[0]!.areas[0]!, null);
  expect(given.scheme.areas.map((choice) => choice.seed)).toContainEqual(seed);
  expect(layoutFaults(forgetAtPoint(design, 'board', seed))).toEqual([]);
});

it('so are places of other schemes and of pins', () => {
  const design = jobWith([at(10, 10)], part(), {
    others: [{ areas: [at(-5, 10)] }],
    choices: {
      ...emptyDesign('', 'other').choices,
      pins: [{ part: 'board', seed: [5, 900], finish: first.id, open: true }],
    },
  });
  expect(layoutFaults(design).map(({ path }) => path)).toEqual(['others[0].areas[0].seed', 'choices.pins[0].seed']);
});

it('a line off its part is told without refusing the design', () => {
  const small = jobWith(
    [],
    part({ surface: { kind: 'flat', outline: { kind: 'rectangle', width: 100, height: 10 } } }),
  );
  expect(designFaults(small, SHIPPED_SHELF)).toEqual([]);
  expect(layoutFaults(small, ['design'])).toEqual([
    { path: 'design.parts[0].lines[0]', code: 'line.outside', values: {} },
  ]);
});
