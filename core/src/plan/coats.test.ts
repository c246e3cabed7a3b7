import { wordsFor } from '@lintrel/words';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { areaAt } from '../areas';
import { readJobFile } from '../formats';
import { emptyDesign, SHIPPED_SHELF, type Design, type Part } from '../job';
import { straight } from '../testing';
import {
  compareSchemes,
  edgeSection,
  giveFinish,
  pinArea,
  masksOn,
  ordersByWish,
  planJob,
  rehearsal,
  ridgeAt,
  searchJob,
  sidesAt,
  sprayArrows,
  linesIn,
} from '.';
import { runsIntoEdge } from './spray';

const { say } = wordsFor();

const part = (over: Partial<Part> = {}): Part => ({
  id: 'door',
  name: 'Door',
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#c7bfa6', ageH: 0 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 900, height: 600 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [straight('low', [0, 200], [900, 200]), straight('high', [0, 400], [900, 400])],
  ...over,
});
const colours = ['cream-two-part', 'sea-green-two-part', 'blaze-two-part'] as const;
const design = (over: Partial<Design> = {}, parts = [part()]): Design => ({
  ...emptyDesign('Coats', 'road'),
  parts,
  scheme: { areas: colours.map((finish, index) => ({ part: 'door', seed: [450, 100 + 200 * index], finish })) },
  ...over,
});
const clear = (over: Partial<Design['scheme']> = {}): Design => design({ scheme: { ...design().scheme, clear: 'clear-two-part', ...over } });

describe('the edge, cut open', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  const spot = { part: 'door', line: 'low', at: 450 };
  it('stands on what is there, film by film, each as thick as its coats', () => {
    const section = edgeSection(plan, SHIPPED_SHELF, spot, plan.stages.length, true);
    for (const side of [section?.left, section?.right]) {
      const films = (side?.layers ?? []).filter(({ kind }) => kind === 'film');
      const open = plan.stages.filter(({ pictures }) => pictures[0].areas.find(({ code }) => code === side?.area)?.open);
      expect(side?.layers[0]).toMatchObject({ kind: 'present', um: null });
      expect(films.map(({ stage, um }) => [stage, um])).toEqual(open.map(({ number, buildUm }) => [number, buildUm]));
    }
  });
  it('has the tape on the covered side, with what was sprayed over it, and loses both when it is pulled', () => {
    const masked = plan.stages.find((stage) => linesIn(plan, stage).some(({ line }) => line === 'low'));
    const on = edgeSection(plan, SHIPPED_SHELF, spot, masked?.number ?? 0, false);
    const off = edgeSection(plan, SHIPPED_SHELF, spot, masked?.number ?? 0, true);
    const tapes = [on?.left, on?.right].flatMap((side) => side?.layers ?? []).filter(({ kind }) => kind === 'tape');
    expect(tapes).toHaveLength(1);
    expect(tapes[0].um).toBe(SHIPPED_SHELF.tapes.find(({ code }) => code === tapes[0].id)?.thicknessUm);
    expect([off?.left, off?.right].flatMap((side) => side?.layers ?? []).some(({ kind }) => kind === 'tape')).toBe(false);
    const taped = [on?.left, on?.right].find((side) => side?.layers.some(({ kind }) => kind === 'tape'));
    expect(taped?.layers[taped.layers.length - 1]).toMatchObject({ kind: 'film', id: masked?.finish });
  });
  it('says how high the edge stands: the film, half as much again when pulled wet', () => {
    const { stage, ridgeUm, wet } = ridgeAt(plan, spot);
    const made = plan.stages.find(({ number }) => number === stage);
    expect(ridgeUm).toBeCloseTo((made?.buildUm ?? 0) * (wet ? 1.5 : 1), 9);
    const dry = ridgeAt(planJob(design({ choices: { order: null, school: 'dry' } }), SHIPPED_SHELF), spot);
    expect(dry).toMatchObject({ wet: false });
  });
  it('is buried by a clear that is thick enough, and not by a thin one', () => {
    const thin = ridgeAt(planJob(clear(), SHIPPED_SHELF), spot);
    expect(thin.clearUm).toBe(56);
    expect([thin.buried, thin.needUm > 56]).toEqual([false, true]);
    const thick = { ...SHIPPED_SHELF, finishes: SHIPPED_SHELF.finishes.map((finish) => (finish.effect === 'clear' ? { ...finish, coatUm: 120 } : finish)) };
    expect(ridgeAt(planJob(clear(), thick), spot).buried).toBe(true);
  });
  it('has nothing to show where no two areas meet', () => {
    expect(sidesAt(plan, { ...spot, line: 'nowhere' })).toBeNull();
    expect(edgeSection(plan, SHIPPED_SHELF, { ...spot, line: 'nowhere' }, 1, true)).toBeNull();
  });
});

describe('the rehearsal', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  const moments = rehearsal(plan, SHIPPED_SHELF);
  it('goes from bare to the end, the clock never back', () => {
    expect(moments[0].pictures[0].areas.every(({ colour }) => colour === '#c7bfa6')).toBe(true);
    const last = moments[moments.length - 1].pictures[0].areas;
    for (const { code, colour } of plan.parts[0].areas) expect(last.find((area) => area.code === code)?.colour).toBe(colour);
    moments.slice(1).forEach(({ atMin }, index) => expect(atMin).toBeGreaterThanOrEqual(moments[index].atMin - 1e-6));
  });
  it('has a moment for every coat, and covers nothing that is open', () => {
    for (const stage of plan.stages) {
      const own = moments.filter((moment) => moment.stage === stage.number);
      expect(own.filter(({ what }) => what.code === 'moment.coat')).toHaveLength(stage.coats);
      for (const { pictures } of own) {
        for (const { code, covered } of pictures[0].areas) {
          if (stage.pictures[0].areas.find((area) => area.code === code)?.open) expect(covered).toBe(false);
        }
      }
    }
  });
});

describe('primer and clear', () => {
  it('go under and over what is painted, the clear over all but what is left out', () => {
    const given = clear({ primer: 'filler-buff' });
    const without: Design = {
      ...given,
      scheme: { ...given.scheme, areas: given.scheme.areas.map((area, index) => (index === 2 ? { ...area, clear: false } : area)) },
    };
    const plan = planJob(without, SHIPPED_SHELF);
    expect(plan.stages.map(({ layer }) => layer)).toEqual(['primer', 'finish', 'finish', 'finish', 'clear']);
    const over = plan.stages[4].pictures[0].areas.filter(({ open }) => open).map(({ code }) => code);
    expect(over).toHaveLength(2);
    expect(plan.parts[0].areas.filter(({ uncleared }) => uncleared)).toHaveLength(1);
    // The clear lets the colours show.
    const before = plan.stages[3].pictures[0].areas;
    for (const { code, colour } of plan.stages[4].pictures[0].areas)
      expect(colour === '#f4f4f2').toBe(before.find((area) => area.code === code)?.colour === '#f4f4f2');
  });
});

describe('choices made by hand', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  it('are priced against the best without them, and never save what is wanted', () => {
    expect(plan.choicePrice).toBeNull();
    const [first] = plan.stages;
    const free = plan.parts[0].areas.filter(({ finish }) => finish !== first.finish);
    for (const area of free) {
      const open = first.pictures[0].areas.find(({ code }) => code === area.code)?.open === true;
      const pinned = planJob(pinArea(design(), 'door', area, first.finish, !open), SHIPPED_SHELF);
      expect(pinned.choicePrice).not.toBeNull();
      const { workMin, endMin } = pinned.choicePrice ?? { workMin: 0, endMin: 0 };
      // Least work counts waiting at a tenth.
      expect(workMin + 0.1 * (endMin - workMin)).toBeGreaterThan(-0.01);
      expect(planJob(pinArea(pinArea(design(), 'door', area, first.finish, !open), 'door', area, first.finish, null), SHIPPED_SHELF).choicePrice).toBeNull();
    }
  });
  it('change with what is wanted most', () => {
    const end = (wish: 'work' | 'finish') => planJob(design({ choices: { order: null, school: null, wish } }), SHIPPED_SHELF).orders[0].endMin;
    expect(end('finish')).toBeLessThanOrEqual(end('work') + 1e-6);
  });
  it('show at once what each wish would choose, as the plan under that wish would', () => {
    const all = ordersByWish(design(), SHIPPED_SHELF);
    expect(all.map(({ wish }) => wish)).toEqual(['work', 'finish', 'risk', 'material']);
    for (const { wish, order, endMin } of all) {
      const planned = planJob(design({ choices: { order: null, school: null, wish } }), SHIPPED_SHELF).orders.find(({ chosen }) => chosen);
      expect([planned?.order, planned?.endMin]).toEqual([order, endMin]);
    }
    expect(ordersByWish(design({ scheme: { areas: [] } }), SHIPPED_SHELF)).toEqual([]);
  });
  it('a long search ends as well as the plan, or better', () => {
    const news = [...searchJob(design(), SHIPPED_SHELF, 500)];
    expect(news[news.length - 1]).toMatchObject({ done: true, share: 1, gap: 0, better: false });
    expect(news[news.length - 1].order).toHaveLength(3);
    news.slice(1).forEach(({ share, gap }, index) => {
      expect(share).toBeGreaterThanOrEqual(news[index].share);
      expect(gap).toBeLessThanOrEqual(news[index].gap + 1e-9);
    });
  });
});

describe('schemes', () => {
  it('are told apart by areas, paint and time', () => {
    const first = planJob(design(), SHIPPED_SHELF);
    const second = planJob(giveFinish(design(), 'door', first.parts[0].areas[0], null), SHIPPED_SHELF);
    const { areas, first: mine, second: theirs } = compareSchemes(first, second);
    expect(areas).toHaveLength(1);
    expect(areas[0].second).toBeNull();
    expect(theirs.stages).toBe(mine.stages - 1);
    expect(theirs.paintMl).toBeLessThan(mine.paintMl);
    expect(compareSchemes(first, first).areas).toEqual([]);
  });
});

describe('spray arrows', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  it('never point into a tape edge', () => {
    const masked = plan.stages.filter((stage) => linesIn(plan, stage).length > 0);
    expect(masked.length).toBeGreaterThan(0);
    for (const stage of masked) {
      const arrows = sprayArrows(plan, plan.parts[0], stage);
      expect(arrows.length).toBeGreaterThan(0);
      for (const { from, to } of arrows) {
        // Covered areas lie beyond their lines: no arrow that starts on the open side ends nearer to a covered one's edge.
        for (const run of linesIn(plan, stage)) {
          const edge = run.line === 'low' ? 200 : 400;
          const inside = run.side === 'left' ? 1 : -1;
          if (Math.abs(to[1] - edge) < 60) expect((to[1] - from[1]) * inside).toBeLessThanOrEqual(1e-6);
        }
      }
    }
  });
  it('never end in what is covered, nor would if they went on, also by masks that stayed on', () => {
    const brindle = readJobFile(readFileSync(join(__dirname, '../../../examples/brindle.json'), 'utf8'));
    if (!brindle.ok) throw new Error('the demo job cannot be read');
    const small = planJob(brindle.value.design, brindle.value.shelf);
    expect(small.stages.some(({ keep }) => keep)).toBe(true);
    let arrows = 0;
    for (const stage of small.stages) {
      expect(masksOn(small, stage).every((number) => number <= stage.number)).toBe(true);
      for (const one of small.parts) {
        const rings = one.areas.map((area) => ({ rings: area.rings.map((ring) => ring.map(([x, y]) => ({ x, y }))) }));
        const open = stage.pictures.find((picture) => picture.part === one.id)?.areas ?? [];
        for (const { from, to } of sprayArrows(small, one, stage)) {
          arrows++;
          // It may start on the tape: that is the way off it.
          for (const share of [0.5, 1, 1.5]) {
            const at = areaAt(rings, { x: from[0] + share * (to[0] - from[0]), y: from[1] + share * (to[1] - from[1]) });
            if (at >= 0) expect(open.find(({ code }) => code === one.areas[at].code)?.open).toBe(true);
          }
        }
      }
    }
    expect(arrows).toBeGreaterThan(20);
  });
  it('knows an arrow that runs into an edge', () => {
    const edge = { at: [0, 0] as const, away: [0, 1] as const };
    expect(runsIntoEdge({ from: [0, 5], to: [0, 1] }, [edge])).toBe(true);
    expect(runsIntoEdge({ from: [0, 1], to: [0, 5] }, [edge])).toBe(false);
  });
});

describe('regrets', () => {
  const advice = (of: Design) =>
    planJob(of, SHIPPED_SHELF)
      .advice.map((one) => `${one.level}: ${say(one)}`)
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
      finishes: SHIPPED_SHELF.finishes.map((finish) => (finish.id === 'cream-two-part' ? { ...finish, hidingUm: 300 } : finish)),
    };
    expect(
      planJob(two('cream-two-part', 'ink-two-part', {}), weak)
        .advice.map(say)
        .join(),
    ).toMatch(/Cream, two-part is weak over what is below on A\d and takes \d+ coats/);
  });
  it('flakes before a solid in one gun', () => {
    expect(advice(two('copper-two-part', 'cream-two-part', { choices: { order: ['copper-two-part', 'cream-two-part'], school: null } }))).toMatch(
      /strip the gun right down before Cream/,
    );
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
    expect(advice({ ...two('orange-dope', 'orange-dope'), parts: old })).toMatch(/stop: Stage 1, Orange, dope on A\d.*this must not go on. Dope lifts enamel/);
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
