import { wordsFor } from '@lintrel/words';
import { pinArea } from '../edit';
import { type Design, SHIPPED_SHELF } from '../job';
import { firstItem } from '../kit';
import { clear, design, part } from '../testing/door';
import { ordersByAim } from './aims';
import { planJob, searchJob } from './plan';

const { say } = wordsFor();

describe('primer and clear', () => {
  it('go under and over what is painted, the clear over all but what is left out', () => {
    const given = clear({ primer: 'filler-buff' });
    const without: Design = {
      ...given,
      scheme: {
        ...given.scheme,
        areas: given.scheme.areas.map((area, index) => (index === 2 ? { ...area, clear: false } : area)),
      },
    };
    const plan = planJob(without, SHIPPED_SHELF);
    expect(plan.stages.map(({ layer }) => layer)).toEqual(['primer', 'finish', 'finish', 'finish', 'clear']);
    const over = plan.stages[4]!.pictures[0]!.areas.filter(({ open }) => open).map(({ code }) => code);
    expect(over).toHaveLength(2);
    expect(plan.parts[0]!.areas.filter(({ uncleared }) => uncleared)).toHaveLength(1);
    // The clear lets the colours show.
    const before = plan.stages[3]!.pictures[0]!.areas;
    for (const { code, colour } of plan.stages[4]!.pictures[0]!.areas)
      expect(colour === '#f4f4f2').toBe(before.find((area) => area.code === code)?.colour === '#f4f4f2');
  });
});

describe('choices made by hand', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  it('are priced against the best without them, and never save what is wanted', () => {
    expect(plan.choicePrice).toBeNull();
    const first = firstItem(plan.stages);
    const free = plan.parts[0]!.areas.filter(({ finish }) => finish !== first.finish);
    for (const area of free) {
      const open = first.pictures[0]!.areas.find(({ code }) => code === area.code)?.open === true;
      const pinned = planJob(pinArea(design(), 'door', area, first.finish, !open), SHIPPED_SHELF);
      expect(pinned.choicePrice).not.toBeNull();
      const { workMin, endMin } = pinned.choicePrice ?? { workMin: 0, endMin: 0 };
      // Least work counts waiting at a tenth.
      expect(workMin + 0.1 * (endMin - workMin)).toBeGreaterThan(-0.01);
      expect(
        planJob(
          pinArea(pinArea(design(), 'door', area, first.finish, !open), 'door', area, first.finish, null),
          SHIPPED_SHELF,
        ).choicePrice,
      ).toBeNull();
    }
  });
  it('change with what is wanted most', () => {
    const end = (wish: 'work' | 'finish') =>
      planJob(design({ choices: { order: null, school: null, wish } }), SHIPPED_SHELF).orders[0]!.endMin;
    expect(end('finish')).toBeLessThanOrEqual(end('work') + 1e-6);
  });
  it('show at once what each wish would choose, as the plan under that wish would', () => {
    const all = ordersByAim(design(), SHIPPED_SHELF);
    expect(all.map(({ wish }) => wish)).toEqual(['work', 'finish', 'risk', 'material']);
    for (const { wish, order, endMin } of all) {
      const planned = planJob(design({ choices: { order: null, school: null, wish } }), SHIPPED_SHELF).orders.find(
        ({ chosen }) => chosen,
      );
      expect([planned?.order, planned?.endMin]).toEqual([order, endMin]);
    }
    expect(ordersByAim(design({ scheme: { areas: [] } }), SHIPPED_SHELF)).toEqual([]);
  });
  it('a long search ends as well as the plan, or better', () => {
    const news = [...searchJob(design(), SHIPPED_SHELF, 500)].flatMap((search) => search ?? []);
    expect(news[news.length - 1]).toMatchObject({ done: true, share: 1, gap: 0, better: false });
    expect(news.at(-1)!.order).toHaveLength(3);
    news.slice(1).forEach(({ share, gap }, index) => {
      expect(share).toBeGreaterThanOrEqual(news[index]!.share);
      expect(gap).toBeLessThanOrEqual(news[index]!.gap + 1e-9);
    });
  });
});

describe('regrets', () => {
  const advice = (of: Design) =>
    planJob(of, SHIPPED_SHELF)
      .advice.map((other) => `${other.level}: ${say(other)}`)
      .join('\n');
  const two = (first: string, second: string, over: Partial<Design> = {}) =>
    design({
      scheme: {
        areas: [[100, first] as const, [300, second] as const, [500, second] as const].map(([y, finish]) => ({
          part: 'door',
          seed: [450, y] as [number, number],
          finish,
        })),
      },
      ...over,
    });
  it('a hard edge between colours too near or too far apart', () => {
    const dark = SHIPPED_SHELF.finishes.find(({ id }) => id === 'soot-air');
    expect(dark).toBeDefined();
    expect(advice(two('soot-air', 'bone-air-lacquer'))).toMatch(/over 60 a hard edge shows every waver/);
    expect(advice(two('pale-blue-air', 'pale-blue-air'))).not.toMatch(/ΔE/);
  });
  it('a colour that is weak over what is below', () => {
    const weak = {
      ...SHIPPED_SHELF,
      finishes: SHIPPED_SHELF.finishes.map((finish) =>
        finish.id === 'cream-two-part' ? { ...finish, hidingUm: 300 } : finish,
      ),
    };
    expect(
      planJob(two('cream-two-part', 'ink-two-part', {}), weak)
        .advice.map(say)
        .join(),
    ).toMatch(/Cream, two-part is weak over what is below on A\d and takes \d+ coats/);
  });
  it('flakes before a solid in one gun', () => {
    expect(
      advice(
        two('copper-two-part', 'cream-two-part', {
          choices: { order: ['copper-two-part', 'cream-two-part'], school: null },
        }),
      ),
    ).toMatch(/strip the gun right down before Cream/);
  });
  it('tape on a finish of a few days', () => {
    const fresh = [part({ present: { system: 'two-part', colour: '#c7bfa6', ageH: 30 } })];
    expect(advice({ ...two('cream-two-part', 'ink-two-part'), parts: fresh })).toMatch(/the finish is 30 h old/);
  });
  it('a kept neighbour that is sprayed along', () => {
    const alike = [part({ present: { system: 'two-part', colour: '#f5f3ea', ageH: 10, finish: 'cream-two-part' } })];
    const kept: Design = {
      ...design(),
      parts: alike,
      scheme: {
        areas: [
          { part: 'door', seed: [450, 100], finish: 'cream-two-part' },
          { part: 'door', seed: [450, 300], finish: null },
          { part: 'door', seed: [450, 500], finish: null },
        ],
      },
    };
    expect(advice(kept)).toMatch(/note: A\d is kept and stays open in stage 1/);
  });
  it('a coat that must not go on is said at the top level', () => {
    const old = [part({ present: { system: 'can-enamel', colour: '#f5f3ea', ageH: 9000 } })];
    expect(advice({ ...two('orange-dope', 'orange-dope'), parts: old })).toMatch(
      /stop: Stage 1, Orange, dope on A\d.*this must not go on. Dope lifts enamel/,
    );
  });
  it('rules that cannot hold', () => {
    const choices = {
      order: null,
      school: null,
      before: [
        { first: 'cream-two-part', then: 'ink-two-part' },
        { first: 'ink-two-part', then: 'cream-two-part' },
      ],
    };
    expect(advice(two('cream-two-part', 'ink-two-part', { choices }))).toMatch(/caution: .*cannot hold together/);
  });
});
