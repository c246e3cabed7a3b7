import { wordsFor } from '@lintrel/words';
import { linesIn } from '../items';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { firstItem } from '../kit';
import type { TrimLine } from '../lines';
import { planJob } from './plan';

const { say } = wordsFor();

const straight = (id: string, above: number): TrimLine => ({
  kind: 'straight',
  id,
  name: id,
  runOn: true,
  datum: 'base',
  from: { along: 0, above },
  to: { along: 900, above },
});
const part = (lines: TrimLine[]): Part => ({
  id: 'door',
  name: 'Door',
  count: 1,
  substrate: 'other',
  present: { system: 'bare', colour: '#b98a4a', ageH: 0 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 900, height: 400 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines,
});
const design = (lines: TrimLine[], areas: [number, string | null][], over: Partial<Design> = {}): Design => ({
  ...emptyDesign('Advice', 'boat'),
  parts: [part(lines)],
  scheme: { areas: areas.map(([y, finish]) => ({ part: 'door', seed: [450, y], finish })) },
  ...over,
});
const advice = (of: Design, shelf = SHIPPED_SHELF) =>
  planJob(of, shelf).advice.map((other) => `${other.level}: ${say(other)}`);

it('says nothing where all is well', () =>
  expect(
    advice(
      design(
        [straight('a', 200)],
        [
          [100, 'cream-two-part'],
          [300, null],
        ],
      ),
    ),
  ).toEqual([]));
it('names the areas nobody chose, once one is chosen', () => {
  expect(advice(design([straight('a', 200)], [[100, 'cream-two-part']]))).toEqual([
    expect.stringMatching(/^note: A1: no finish chosen/),
  ]);
  expect(advice(design([straight('a', 200)], []))).toEqual([]);
});
it('asks which of two finishes an area shall get', () => {
  expect(
    advice(
      design(
        [],
        [
          [100, 'cream-two-part'],
          [300, null],
        ],
      ),
    ),
  ).toEqual([expect.stringMatching(/^stop: A1 is asked to be Cream, two-part and kept as it is/)]);
});
it('points out a sliver', () =>
  expect(advice(design([straight('a', 200), straight('b', 200.3)], [])).join()).toMatch(/caution: A2 is a sliver/));
it('says when a colour will not hide', () => {
  const thin = {
    ...SHIPPED_SHELF,
    finishes: SHIPPED_SHELF.finishes.map((finish) =>
      finish.id === 'cream-two-part' ? { ...finish, coatUm: 0.5 } : finish,
    ),
  };
  expect(advice(design([], [[100, 'cream-two-part']]), thin).join()).toMatch(
    /caution: Stage 1: Cream, two-part does not hide what is below even in 20/,
  );
});
it('says when the wanted school has no window', () => {
  const rubber = design(
    [straight('a', 200)],
    [
      [100, 'rubber-black'],
      [300, null],
    ],
    { choices: { order: null, school: 'dry' } },
  );
  const stage = firstItem(planJob(rubber, SHIPPED_SHELF).stages);
  expect(stage.school).toBe('wet');
  expect(stage.windows).toMatchObject({ touch: null, dry: null });
});
it('says when the shelf has no tape for an edge, or none with the edge that is wanted', () => {
  const edged = design(
    [straight('a', 200)],
    [
      [100, 'cream-two-part'],
      [300, null],
    ],
  );
  const told = (tapes: typeof SHIPPED_SHELF.tapes) => advice(edged, { ...SHIPPED_SHELF, tapes }).join();
  expect(told(SHIPPED_SHELF.tapes.filter(({ edge }) => edge === 'soft'))).toMatch(
    /soft, not crisp: there is no crisp tape on the shelf/,
  );
  expect(told([])).toMatch(/no tape on the shelf/);
});
it('brushed paint brings no caution about spray, and oil paint none about hardener', () => {
  expect(planJob(design([], [[100, 'ivory-brush']]), SHIPPED_SHELF).safety).toEqual(['dust', 'rags']);
  expect(planJob(design([], [[100, 'tomato-can']]), SHIPPED_SHELF).safety).toEqual(['dust', 'spray', 'can']);
});
it('waits before tape goes on fresh colour, and says for what', () => {
  const plan = planJob(
    design(
      [straight('a', 200)],
      [
        [100, 'signal-base'],
        [300, 'slate-base-water'],
      ],
    ),
    SHIPPED_SHELF,
  );
  const waits = plan.steps.flatMap(({ after }) => after).filter(({ code }) => code === 'tape-safe');
  const covered = linesIn(plan, plan.stages[1]!).length > 0;
  expect(waits.length > 0).toBe(covered);
  for (const { minMin } of waits) expect(minMin).toBeGreaterThan(0);
});
it('bounds the next coat by the recoat window of the finish', () => {
  const plan = planJob(design([], [[100, 'marigold-can']]), SHIPPED_SHELF);
  const second = plan.steps.find(({ id }) => id === 'marigold-can:coat:2');
  const rule = second?.after.find(({ code }) => code === 'recoat');
  expect(rule).toMatchObject({ step: 'marigold-can:coat:1', from: 'end' });
  expect((rule?.maxMin ?? 0) / (rule?.minMin ?? 0)).toBeCloseTo(60 / 12, 3);
});

it('says once a part that a bare substrate should be primed first', () => {
  const wood = (primer?: string): Design => {
    const of = design(
      [straight('a', 200)],
      [
        [100, 'cream-two-part'],
        [300, 'cream-two-part'],
      ],
    );
    return {
      ...of,
      parts: of.parts.map((other) => ({ ...other, substrate: 'wood' })),
      scheme: { ...of.scheme, ...(primer ? { primer } : {}) },
    };
  };
  expect(advice(wood()).filter((one) => /bare wood/.test(one))).toEqual([
    expect.stringMatching(
      /^caution: Door: Cream, two-part goes straight onto bare wood\. Prime it first \(filler primer, two-part/,
    ),
  ]);
  expect(advice(wood('filler-buff')).filter((one) => /bare wood/.test(one))).toEqual([]);
});
