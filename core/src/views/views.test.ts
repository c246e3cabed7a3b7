import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { areaAt } from '../areas';
import { giveFinish } from '../edit';
import { readJobFile } from '../formats';
import { linesIn, masksOn } from '../items';
import { SHIPPED_SHELF } from '../job';
import { planJob } from '../plan';
import { clear, design } from '../testing/door';
import { compareSchemes } from './compare';
import { rehearsal } from './rehearsal';
import { edgeSection, ridgeAt, sidesAt } from './section';
import { runsIntoEdge, sprayArrows } from './spray';

describe('the edge, cut open', () => {
  const plan = planJob(design(), SHIPPED_SHELF);
  const spot = { part: 'door', line: 'low', at: 450 };
  it('stands on what is there, film by film, each as thick as its coats', () => {
    const section = edgeSection(plan, SHIPPED_SHELF, spot, plan.stages.length, true);
    for (const side of [section?.left, section?.right]) {
      const films = (side?.layers ?? []).filter(({ kind }) => kind === 'film');
      const open = plan.stages.filter(
        ({ pictures }) => pictures[0]!.areas.find(({ code }) => code === side?.area)?.open,
      );
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
    expect(tapes[0]!.um).toBe(SHIPPED_SHELF.tapes.find(({ code }) => code === tapes[0]!.id)?.thicknessUm);
    expect([off?.left, off?.right].flatMap((side) => side?.layers ?? []).some(({ kind }) => kind === 'tape')).toBe(
      false,
    );
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
    const thick = {
      ...SHIPPED_SHELF,
      finishes: SHIPPED_SHELF.finishes.map((finish) =>
        finish.effect === 'clear' ? { ...finish, coatUm: 120 } : finish,
      ),
    };
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
    expect(moments[0]!.pictures[0]!.areas.every(({ colour }) => colour === '#c7bfa6')).toBe(true);
    const last = moments.at(-1)!.pictures[0]!.areas;
    for (const { code, colour } of plan.parts[0]!.areas)
      expect(last.find((area) => area.code === code)?.colour).toBe(colour);
    moments.slice(1).forEach(({ atMin }, index) => expect(atMin).toBeGreaterThanOrEqual(moments[index]!.atMin - 1e-6));
  });
  it('has a moment for every coat, and covers nothing that is open', () => {
    for (const stage of plan.stages) {
      const own = moments.filter((moment) => moment.stage === stage.number);
      expect(own.filter(({ what }) => what.code === 'moment.coat')).toHaveLength(stage.coats);
      for (const { pictures } of own) {
        for (const { code, covered } of pictures[0]!.areas) {
          if (stage.pictures[0]!.areas.find((area) => area.code === code)?.open) expect(covered).toBe(false);
        }
      }
    }
  });
});

describe('schemes', () => {
  it('are told apart by areas, paint and time', () => {
    const first = planJob(design(), SHIPPED_SHELF);
    const second = planJob(giveFinish(design(), 'door', first.parts[0]!.areas[0]!, null), SHIPPED_SHELF);
    const { areas, first: mine, second: theirs } = compareSchemes(first, second);
    expect(areas).toHaveLength(1);
    expect(areas[0]!.second).toBeNull();
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
      const arrows = sprayArrows(plan, plan.parts[0]!, stage);
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
      for (const part of small.parts) {
        const rings = part.areas.map((area) => ({ rings: area.rings.map((ring) => ring.map(([x, y]) => ({ x, y }))) }));
        const open = stage.pictures.find((picture) => picture.part === part.id)?.areas ?? [];
        for (const { from, to } of sprayArrows(small, part, stage)) {
          arrows++;
          // It may start on the tape: that is the way off it.
          for (const share of [0.5, 1, 1.5]) {
            const at = areaAt(rings, {
              x: from[0] + share * (to[0] - from[0]),
              y: from[1] + share * (to[1] - from[1]),
            });
            if (at >= 0) expect(open.find(({ code }) => code === part.areas[at]!.code)?.open).toBe(true);
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
