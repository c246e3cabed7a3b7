import { planFaults } from '../check';
import type { Plan } from '../contract';
import { setPullTiming } from '../edit';
import type { PullTiming } from '../finish';
import { isLine } from '../items/lists';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { type LineId, type PartId, sumOf } from '../kit';
import { planJob } from './plan';

const board = (
  lines: readonly {
    readonly id: string;
    readonly to: readonly [number, number];
    readonly from: readonly [number, number];
  }[],
): Part =>
  ({
    id: 'board',
    name: 'Board',
    count: 1,
    substrate: 'steel',
    present: { system: 'two-part', colour: '#e8e4da', ageH: 9000 },
    surface: { kind: 'flat', outline: { kind: 'rectangle', width: 2000, height: 900 } },
    datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    lines: lines.map(({ id, from, to }) => ({
      kind: 'straight',
      id,
      name: id.toUpperCase(),
      runOn: true,
      datum: 'base',
      from: { along: from[0], above: from[1] },
      to: { along: to[0], above: to[1] },
    })),
  }) as unknown as Part;
const LEVEL = [
  { id: 'low', from: [0, 300], to: [2000, 300] },
  { id: 'high', from: [0, 600], to: [2000, 600] },
] as const;
/** A board of three bands, the middle one in a finish. */
const design = (finish: string, choices: Partial<Design['choices']> = {}): Design =>
  ({
    ...emptyDesign('Lines', 'boat'),
    parts: [board(LEVEL)],
    scheme: { areas: [{ part: 'board', seed: [1000, 450], finish }] },
    choices: { order: null, school: null, ...choices },
  }) as unknown as Design;
const planned = (of: Design): Plan => {
  const plan = planJob(of, SHIPPED_SHELF);
  expect(planFaults(plan)).toEqual([]);
  return plan;
};
const pullsOf = ({ steps }: Plan) => steps.filter(({ kind }) => kind === 'pull');
const lineOf = ({ items }: Plan, id: string) => items.filter(isLine).find((item) => item.id === id)!.lineCode;
const place = (line: string) => ({ part: 'board' as PartId, line: line as LineId });

it.each<[PullTiming, PullTiming, string[]]>([
  ['wet', 'touch', ['low', 'rest']],
  ['touch', 'touch', ['rest']],
  ['dry', 'touch', ['high', 'rest']],
])('a line that is to be pulled %s, where the finish is pulled %s', (school, usual, turns) => {
  const plain = planned(design('tomato-can'));
  expect(plain.stages[0]!.school).toBe(usual);
  const plan = planned(setPullTiming(design('tomato-can'), place('low'), school));
  const pulls = pullsOf(plan);
  expect(
    pulls.map(({ items, say }) =>
      'rest' in say.values || !('lines' in say.values) ? 'rest' : lineOf(plan, items[0]!).toLowerCase(),
    ),
  ).toHaveLength(turns.length);
  const index = pulls.findIndex(({ items }) =>
    items.some((id) => plan.items.find((item) => item.id === id && isLine(item) && item.line === 'low')),
  );
  expect(pulls[index]!.say.values).toMatchObject({ school });
  // Each within the window its school has in that film, counted from the last coat.
  const { lastCoatMin, windows } = plan.stages[0]!;
  for (const pull of pulls) {
    const { school: by } = pull.say.values as { school: PullTiming };
    expect(pull.startMin).toBeGreaterThanOrEqual(lastCoatMin + windows![by]!.from - 1e-6);
    expect(pull.endMin).toBeLessThanOrEqual(lastCoatMin + (windows![by]!.to ?? Infinity) + 1e-6);
  }
  // The same work in all, however it is divided; a line that is pulled dry carries its cover without a backing.
  const offMin = ({ items }: Plan) => sumOf(items, ({ kind, pullMin }) => (kind === 'backing' ? 0 : pullMin));
  expect(offMin(plan)).toBeCloseTo(offMin(plain), 6);
});

it('nothing else changes before the last coat, and paper comes off last', () => {
  const [plain, plan] = [
    planned(design('tomato-can')),
    planned(setPullTiming(design('tomato-can'), place('low'), 'wet')),
  ];
  const coats = (of: Plan) => of.steps.filter(({ kind }) => kind === 'coat').map(({ id, startMin }) => [id, startMin]);
  expect(coats(plan)).toEqual(coats(plain));
  // What comes off first is laid last.
  expect(plan.steps.findLast(({ kind }) => kind === 'lay')!.items).toEqual(pullsOf(plan)[0]!.items);
  const kinds = plan.steps.map(({ kind }) => kind);
  expect(kinds.indexOf('uncover')).toBeGreaterThan(kinds.lastIndexOf('pull'));
});

it('what the paint does not let be pulled so is told, at the line', () => {
  const plan = planned(setPullTiming(design('rubber-black'), place('low'), 'dry'));
  expect(pullsOf(plan)).toHaveLength(1);
  expect(plan.advice.find(({ code }) => code === 'advice.line-school')).toMatchObject({
    values: { wanted: 'dry', school: 'wet' },
    place: { part: 'board', line: 'low' },
  });
  expect(planned(design('rubber-black')).advice.map(({ code }) => code)).not.toContain('advice.line-school');
});

it('of two tapes that overlap the one that comes off first is laid over the other', () => {
  // Both lie in a wedge that is masked between two painted sides.
  const wedge = [LEVEL[0], { id: 'high', from: [0, 302], to: [2000, 360] }] as const;
  const of = (choices: Partial<Design['choices']>): Design =>
    ({
      ...design('tomato-can', choices),
      parts: [board(wedge)],
      scheme: { areas: [150, 700].map((y) => ({ part: 'board', seed: [1000, y], finish: 'tomato-can' })) },
    }) as unknown as Design;
  for (const wet of ['low', 'high']) {
    const lines = planned(setPullTiming(of({}), place(wet), 'wet')).items.filter(isLine);
    const [early, rest] = [lines.find(({ line }) => line === wet)!, lines.find(({ line }) => line !== wet)!];
    expect(early.until.early).toBe('wet');
    expect(early.after).toContain(rest.id);
    expect(lines.flatMap(({ doubts }) => doubts.map(({ code }) => code))).not.toContain('doubt.over-earlier');
  }
});

it('is taken back, and only for its own line', () => {
  const one = setPullTiming(design('tomato-can'), place('low'), 'wet');
  const two = setPullTiming(one, place('high'), 'dry');
  expect(two.choices.pulls).toHaveLength(2);
  expect(setPullTiming(two, place('low'), 'touch').choices.pulls).toContainEqual({
    part: 'board',
    line: 'low',
    school: 'touch',
  });
  expect(setPullTiming(setPullTiming(two, place('low'), null), place('high'), null)).toEqual(design('tomato-can'));
});
