import type { Plan } from '../contract';
import { carryScheme, givePresent } from '../edit';
import { type Design, designFaults, type Part, SHIPPED_SHELF } from '../job';
import type { Feature } from '../surface';
import { panel as plainPanel, panelJob, planned } from '../testing/panels';
import { straight } from '../testing/samples';
import { edgeSection } from '../views';
import { planJob } from './plan';

// Masks that stay on, parts that hang together, coarse places, and what is on an area now: as the plan writes them down.

const across = (id: string, above: number) => straight(id, [0, above], [900, above]);
const panel = (id: string, over: Partial<Part> = {}): Part =>
  plainPanel(id, 900, 400, {
    present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 60 },
    lines: [across('a', 200)],
    ...over,
  });
const jobOf = (
  parts: readonly Part[],
  areas: readonly [part: string, y: number, finish: string | null][],
  over: Partial<Design> = {},
): Design =>
  panelJob(
    parts,
    areas.map(([part, y, finish]) => [part, 450, y, finish]),
    over,
  );
const kinds = ({ steps }: Plan, stage: number) =>
  steps.filter((step) => step.stage === stage && step.attended).map(({ kind }) => kind);

describe('primer, colour and clear of one region', () => {
  const design = jobOf(
    [panel('p')],
    [
      ['p', 100, 'signal-base'],
      ['p', 300, null],
    ],
  );
  const layered = { ...design, scheme: { ...design.scheme, primer: 'filler-buff', clear: 'clear-two-part' } };
  const plan = planned(layered);
  it('share one tape: it is laid for the primer and comes off with the clear', () => {
    const lines = plan.items.filter(({ kind }) => kind === 'line');
    expect(lines.map(({ stage, until }) => [stage, until.stage])).toEqual([[1, 3]]);
    expect([1, 2, 3].map((stage) => kinds(plan, stage).filter((kind) => /lay|cover|pull/.test(kind)))).toEqual([
      // The backing, the cover that hangs from it, the line tape over its edge.
      ['lay', 'cover', 'lay'],
      [],
      ['pull', 'uncover'],
    ]);
  });
  it('pile up on that tape', () => {
    const section = edgeSection(plan, SHIPPED_SHELF, { part: 'p', line: 'a', at: 450 }, 3, false);
    const sides = [section?.left, section?.right].map((side) => side?.layers.map(({ kind }) => kind));
    expect(sides).toContainEqual(['present', 'tape', 'film', 'film', 'film']);
    expect(sides).toContainEqual(['present', 'film', 'film', 'film']);
    const after = edgeSection(plan, SHIPPED_SHELF, { part: 'p', line: 'a', at: 450 }, 3, true);
    expect([after?.left, after?.right].map((side) => side?.layers.length).sort()).toEqual([1, 4]);
  });
  it('take fresh tape each where a person wants every mask off, which is the dearer plan', () => {
    const fresh = planned({ ...layered, choices: { ...layered.choices, masks: 'fresh' } });
    expect(fresh.items.filter(({ kind }) => kind === 'line').map(({ stage, until }) => [stage, until.stage])).toEqual([
      [1, 1],
      [2, 2],
      [3, 3],
    ]);
    const work = (of: Plan) => of.orders.find(({ chosen }) => chosen)?.workMin ?? 0;
    expect(work(fresh)).toBeGreaterThan(work(plan));
  });
  it('say so where it is scuffed beside that tape', () => {
    // The clear comes when the first colour is past its limit: it is keyed with the tape of the first stage still beside it.
    const two = jobOf(
      [panel('p', { lines: [across('a', 130), across('b', 260)] })],
      [
        ['p', 60, 'cream-two-part'],
        ['p', 200, 'sea-green-two-part'],
        ['p', 330, null],
      ],
    );
    const cleared = planned({ ...two, scheme: { ...two.scheme, clear: 'clear-two-part' } });
    const scuffs = cleared.steps.filter(({ kind, stage }) => kind === 'abrade' && stage !== null);
    expect(scuffs.map(({ stage, say }) => [stage, say.values.masked])).toContainEqual([3, true]);
  });
});

describe('parts that hang together', () => {
  const areas: [string, number, string | null][] = [
    ['p', 100, 'cream-two-part'],
    ['p', 300, 'cream-two-part'],
    ['q', 100, 'sea-green-two-part'],
    ['q', 300, 'sea-green-two-part'],
  ];
  it('are covered whole while the other is sprayed, and wait until that may lie on them', () => {
    const plan = planned(jobOf([panel('p', { attached: ['q'] }), panel('q')], areas));
    expect(plan.stages.map(({ coveredParts }) => coveredParts)).toEqual([['q'], ['p']]);
    expect(plan.items.map(({ kind, part, stage, until }) => [kind, part, stage, until.stage])).toEqual([
      ['cover', 'q', 1, 1],
      ['cover', 'p', 2, 2],
    ]);
    expect(kinds(plan, 1)).toContain('uncover');
    expect(kinds(plan, 1)).not.toContain('pull');
    expect(plan.steps.some(({ stage, say }) => stage === 2 && say.code === 'step.wait-tape-safe')).toBe(true);
  });
  it('are taken away once, also where tape of the same stage comes off', () => {
    const plan = planned(
      jobOf(
        [panel('p', { attached: ['q'] }), panel('q')],
        [
          ['p', 100, 'cream-two-part'],
          ['p', 300, null],
        ],
      ),
    );
    const covers = plan.items.filter(({ kind }) => kind === 'cover');
    expect(covers.map(({ part }) => part)).toEqual(['p', 'q']);
    expect(plan.stages[0]!.uncoverMin).toBeCloseTo(
      plan.items.filter(({ until }) => until.uncover).reduce((sum, { pullMin }) => sum + pullMin, 0),
      6,
    );
  });
  it('neither wait nor are covered where they are apart', () => {
    const plan = planned(jobOf([panel('p'), panel('q')], areas));
    expect(plan.items).toEqual([]);
    expect(plan.steps.some(({ say }) => say.code === 'step.wait-tape-safe')).toBe(false);
  });
});

it('a line that stays is sealed where it runs over texture, before the check, with its places', () => {
  const coarse: Feature = {
    kind: 'texture',
    id: 'coarse',
    name: 'Coarse',
    datum: 'base',
    shape: { kind: 'round', at: { along: 450, above: 200 }, diameter: 200 },
  };
  const plan = planned(
    jobOf(
      [panel('p', { features: [coarse] })],
      [
        ['p', 100, 'cream-two-part'],
        ['p', 300, null],
      ],
    ),
  );
  const seal = plan.steps.find(({ kind }) => kind === 'seal');
  expect(seal?.say).toEqual({ code: 'step.seal', values: { finish: null, places: ['L1'], dryMin: 20 } });
  expect((seal?.endMin ?? 0) - (seal?.startMin ?? 0)).toBeCloseTo(0.2 * 0.5, 3);
  const order = kinds(plan, 1);
  expect(order.indexOf('seal')).toBeLessThan(order.indexOf('gate'));
  expect(order.indexOf('seal')).toBeGreaterThan(order.indexOf('cover'));
});

it('fading out is a step of its own after the last coat, and windows count from it', () => {
  const design = jobOf(
    [panel('p')],
    [
      ['p', 100, 'cream-two-part'],
      ['p', 300, null],
    ],
  );
  const plan = planned({
    ...design,
    scheme: { areas: design.scheme.areas.map((area) => (area.finish ? { ...area, blend: true } : area)) },
  });
  const blend = plan.steps.findIndex(({ say }) => say.code === 'step.blend');
  expect(plan.steps[blend - 1]!.say.code).toBe('step.coat');
  expect(plan.steps[blend]!.say.values.places).toEqual(['A2']);
  expect(plan.steps[blend]!.endMin).toBeCloseTo(plan.stages[0]!.lastCoatMin, 4);
});

describe('what is on an area now', () => {
  const design = jobOf(
    [panel('p', { substrate: 'steel' })],
    [
      ['p', 100, 'cream-two-part'],
      ['p', 300, 'cream-two-part'],
    ],
  );
  const spot = planJob(design, SHIPPED_SHELF).parts[0]!.areas.find(({ seed }) => seed[1] > 200);
  const bare = givePresent(design, 'p', spot as NonNullable<typeof spot>, {
    system: 'bare',
    colour: '#9a9a9a',
    ageH: 0,
  });
  it('decides what it is washed and abraded with, and is told where it should be primed', () => {
    const plan = planned(bare);
    expect(plan.steps.filter(({ kind }) => kind === 'wash').map(({ say }) => say.values.cleaner)).toEqual(
      expect.arrayContaining(['wax-grease', 'alcohol']),
    );
    expect(plan.advice.filter(({ code }) => code === 'advice.bare').map(({ place }) => place.area)).toEqual([spot?.id]);
    expect(
      plan.parts[0]!.areas.map(
        ({ present, shows, ownPresent }) => `${present?.system ?? 'bare'} ${shows} ${String(ownPresent)}`,
      ).sort(),
    ).toEqual(['bare #9a9a9a true', 'filler-primer #c7bfa6 false']);
  });
  it('goes with its area when a line moves, and to both halves where it is split', () => {
    const moved = { ...bare, parts: [{ ...bare.parts[0]!, lines: [across('a', 340)] }] };
    expect(carryScheme(bare, moved).presentAt?.map(({ seed }) => seed[1] > 340)).toEqual([true]);
    const split = { ...bare, parts: [{ ...bare.parts[0]!, lines: [across('a', 200), across('b', 330)] }] };
    expect(carryScheme(bare, split).presentAt).toHaveLength(2);
  });
  it('is forgotten with its part, as are parts that held on to it', () => {
    const two = { ...bare, parts: [...bare.parts, panel('q', { attached: ['p'] })] };
    const gone = carryScheme(two, { ...two, parts: [two.parts[1]!] });
    expect(gone.presentAt).toEqual([]);
    expect(gone.parts[0]!.attached).toEqual([]);
  });
  it('is forgotten with its part also where lines of others went on from it', () => {
    const follower = panel('q', {
      attached: ['p'],
      lines: [{ kind: 'continuation', id: 'c', name: 'C', runOn: true, part: 'p', of: 'a', end: 'end', mode: 'side' }],
    });
    const two = {
      ...bare,
      parts: [...bare.parts, follower],
      scheme: {
        areas: [...bare.scheme.areas, { part: 'q', seed: [450, 100] as [number, number], finish: 'cream-two-part' }],
      },
    };
    const gone = carryScheme(two, { ...two, parts: [follower] });
    expect(gone.parts[0]!.attached).toEqual([]);
    expect(designFaults(gone, SHIPPED_SHELF)).toEqual([]);
  });
  it('can be taken back', () => {
    expect(
      planJob(
        givePresent(bare, 'p', planJob(bare, SHIPPED_SHELF).parts[0]!.areas[0]!, null),
        SHIPPED_SHELF,
      ).parts[0]!.areas.every((area) => !area.ownPresent),
    ).toBe(spot?.id === planJob(bare, SHIPPED_SHELF).parts[0]!.areas[0]!.id);
  });
});
