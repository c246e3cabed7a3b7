import { planFaults } from '../check';
import type { Plan } from '../contract';
import { setClosing, withChoices } from '../edit';
import { isOpeningTape, plugsIn } from '../items';
import { type Design, SHIPPED_SHELF } from '../job';
import { sumOf } from '../kit';
import { closingMin, closingTapes } from '../masking';
import type { ClosingWay } from '../surface';
import { panel, panelJob, planned } from '../testing/panels';
import { planJob } from './plan';

const box = {
  kind: 'opening',
  id: 'o',
  name: 'Locker',
  datum: 'base',
  use: 'box',
  shape: { kind: 'window', at: { along: 100, above: 100 }, width: 200, height: 100, corner: 0 },
} as const;
const job = (use: 'box' | 'window' | 'post' | 'recess' | 'hole', count = 1) =>
  panelJob([panel('p', 600, 400, { count, features: [{ ...box, use }] })], [['p', 300, 300, 'cream-two-part']]);
const mouths = ({ items }: Plan) => items.filter(isOpeningTape);

it('the mouth of a box 240 × 180 takes lips 30 longer than its sides, film 280 × 220, about 6 minutes to close and 2 to open', () => {
  const mouth = { ...box, shape: { ...box.shape, width: 240, height: 180 } };
  const plan = planned(panelJob([panel('p', 600, 400, { features: [mouth] })], [['p', 500, 350, 'cream-two-part']]));
  const [{ closing, layMin, pullMin }] = plugsIn(plan.items) as [ReturnType<typeof plugsIn>[number]];
  expect(closing.values).toMatchObject({ topMm: 270, sideMm: 210, widthMm: 280, heightMm: 220 });
  expect(layMin + sumOf(mouths(plan), (tape) => tape.layMin)).toBeCloseTo(6, 0);
  expect(pullMin + sumOf(mouths(plan), (tape) => tape.pullMin)).toBeCloseTo(2, 0);
});

describe('openings are opened again in the window of the last coat on their part', () => {
  const closed = planned({ ...job('box', 2), choices: { ...job('box', 2).choices, school: 'wet' } });
  const opened = (plan: Plan) => plan.steps.find(({ kind }) => kind === 'unplug')!;
  it('with every piece that went in, the last laid first', () => {
    const items = opened(closed).items.map((id) => closed.items.find((item) => item.id === id)!.kind);
    expect(items).toEqual(['cap', 'plug', 'lip', 'base']);
    expect(opened(closed).endMin).toBeLessThanOrEqual(
      closed.windows.find(({ of, kind }) => of === opened(closed).id && kind === 'pull')!.closesMin! + 1e-6,
    );
    expect(opened(closed).startMin).toBeCloseTo(closed.stages[0]!.lastCoatMin, 6);
  });
  it('by the pull timing that was chosen', () => {
    const touch = planned({ ...job('box', 2), choices: { ...job('box', 2).choices, school: 'touch' } });
    const { lastCoatMin, windows } = touch.stages[0]!;
    expect(opened(touch).startMin).toBeCloseTo(lastCoatMin + windows!.touch!.from, 3);
  });
  it('once, though other coats follow on other parts; a part that gets more coats keeps them in', () => {
    const part = (id: string) => panel(id, 600, 400, { features: [{ ...box, use: 'hole' as const }] });
    const two = panelJob(
      [part('p'), part('q')],
      [
        ['p', 500, 350, 'cream-two-part'],
        ['q', 500, 350, 'sea-green-two-part'],
      ],
    );
    const plan = planned(two);
    const stageOf = (of: Plan, id: string) => plugsIn(of.items).find(({ part: on }) => on === id)!.until.stage;
    expect([stageOf(plan, 'p'), stageOf(plan, 'q')].sort()).toEqual([1, 2]);
    const cleared = planned({ ...two, scheme: { ...two.scheme, clear: 'clear-two-part' } });
    expect([stageOf(cleared, 'p'), stageOf(cleared, 'q')]).toEqual([3, 3]);
    expect(planFaults(cleared)).toEqual([]);
  });
});

describe('tapes that close an opening', () => {
  const plan = planned(job('box', 3));
  it('of a box are laid inside, then lip, film, cap; the film is what is counted', () => {
    const step = plan.steps.find(({ kind }) => kind === 'plug')!;
    const kinds = step.items.map((id) => plan.items.find((item) => item.id === id)!.kind);
    expect(kinds).toEqual(['base', 'lip', 'plug', 'cap']);
    expect(plan.items.find(({ kind }) => kind === 'cap')!.after).toEqual([plugsIn(plan.items)[0]!.id]);
    expect(step.say).toMatchObject({ code: 'step.plug', values: { plugs: 3 } });
    expect(planFaults(plan)).toEqual([]);
  });
  it('have the four lists of lengths: 1.5 mm inside the mouth, lips longer than their sides, caps no longer', () => {
    const inside = 2 * (200 - 3 + 100 - 3);
    expect(mouths(plan).map(({ kind, lengthMm, pieces, count }) => [kind, lengthMm, pieces, count])).toEqual([
      ['base', inside, 4, 3],
      ['lip', 2 * (230 + 130), 4, 3],
      ['cap', 2 * (200 + 100), 4, 3],
    ]);
  });
  it('are of a kind made for rims, and are in the list of tape with all pieces', () => {
    expect(mouths(plan).every(({ tapeKind }) => tapeKind === 'X')).toBe(true);
    const need = plan.lists.tape.find(({ tape }) => tape === mouths(plan)[0]!.material)!;
    expect(need.pieces).toBe(3 * 12);
    expect(need.lengthM).toBeCloseTo((3 * sumOf(mouths(plan), ({ lengthMm }) => lengthMm)) / 1000, 6);
  });
  it('take together with what they hold the minutes of the opening', () => {
    for (const use of ['box', 'window', 'post', 'recess', 'hole'] as const) {
      const own = planned(job(use, 2)).items.filter((item) => isOpeningTape(item) || item.kind === 'plug');
      const [{ closing }] = plugsIn(own) as [ReturnType<typeof plugsIn>[number]];
      expect(own.filter(isOpeningTape).map(({ kind }) => kind)).toEqual(
        closingTapes(closing).map(({ use: what }) => what),
      );
      expect(sumOf(own, ({ layMin }) => layMin)).toBeCloseTo(2 * closingMin(closing, false), 6);
      expect(own.every(({ layMin }) => layMin >= 0)).toBe(true);
    }
  });
  it('are told as missing where there is no tape at all', () => {
    const bare = planJob(job('box'), { ...SHIPPED_SHELF, tapes: [] });
    expect(mouths(bare).every(({ material, doubts }) => material === null && doubts.length === 1)).toBe(true);
    expect(planFaults(bare)).toEqual([]);
  });
});

describe('a way of closing a person has chosen', () => {
  const chosen = (by: ClosingWay, use: 'box' | 'window' | 'hole' = 'window') =>
    withChoices(job(use, 2), { closings: [{ part: 'p', opening: 'o', by }] });
  const codes = (plan: Plan) => plugsIn(plan.items).map(({ closing: { code } }) => code);
  it('is what the plan does, in minutes, items and lists', () => {
    for (const [by, code] of [
      ['sheet', 'opening.sheet'],
      ['inside', 'opening.inside'],
      ['back-mask', 'opening.back-mask'],
      ['tape', 'opening.pane'],
    ] as const) {
      const plan = planned(chosen(by));
      expect(codes(plan)).toEqual([code]);
      expect(planFaults(plan)).toEqual([]);
      const [{ closing }] = plugsIn(plan.items) as [ReturnType<typeof plugsIn>[number]];
      const own = plan.items.filter((item) => isOpeningTape(item) || item.kind === 'plug');
      expect(sumOf(own, ({ layMin }) => layMin)).toBeCloseTo(2 * closingMin(closing, false), 6);
      expect(plan.advice.filter(({ code: advised }) => advised === 'advice.closing')).toEqual([]);
    }
    expect(planned(chosen('sheet')).lists.supplies.map(({ kind }) => kind)).toContain('card');
  });
  it('leaves it open: nothing goes in, and nothing is counted out', () => {
    const plan = planned(chosen('nothing'));
    expect(codes(plan)).toEqual([]);
    expect(plan.steps.some(({ kind }) => kind === 'plug' || kind === 'unplug')).toBe(false);
    expect(planFaults(plan)).toEqual([]);
  });
  it('that cannot be is told with what would do, and it is closed as usual', () => {
    const plan = planned(chosen('disc'));
    expect(codes(plan)).toEqual(codes(planned(job('window', 2))));
    const [told] = plan.advice.flatMap((advice) => (advice.code === 'advice.closing' ? [advice] : []));
    expect(told!.place.part).toBe('p');
    expect(told!.values).toMatchObject({ opening: 'Locker', wanted: 'disc', why: { code: 'closing-fault.not-round' } });
    expect(told!.values.ways).toEqual(expect.arrayContaining(['film', 'sheet', 'nothing']));
  });
  it('holds for the mirror image of its part too, until that has its own', () => {
    const two = {
      ...chosen('sheet'),
      parts: [
        ...job('window').parts,
        { ...job('window').parts[0]!, id: 'q', features: [], opposite: { of: 'p', follows: true } },
      ],
    } as Design;
    const design = setFinish(two, 'q');
    expect(codes(planned(design))).toEqual(['opening.sheet', 'opening.sheet']);
    const own = setClosing(design, { part: 'q', opening: 'o' }, 'film');
    expect(codes(planned(own)).sort()).toEqual(['opening.film', 'opening.sheet']);
    expect(
      setClosing(setClosing(design, { part: 'p', opening: 'o' }, null), { part: 'q', opening: 'o' }, null).choices
        .closings,
    ).toBeUndefined();
  });
});

/** The same finish on another part. */
const setFinish = (design: Design, part: string): Design => ({
  ...design,
  scheme: { ...design.scheme, areas: [...design.scheme.areas, { ...design.scheme.areas[0]!, part, seed: [300, 300] }] },
});
