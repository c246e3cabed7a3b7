import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Plan } from '../contract';
import { PAINT_SYSTEMS, type PaintSystemKey } from '../finish';
import { readJobFile } from '../formats';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { firstItem } from '../kit';
import { planJob } from './plan';

const folder = join(__dirname, '../../../examples');
const demos = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => {
    const read = readJobFile(readFileSync(join(folder, name), 'utf8'));
    if (!read.ok) throw new Error(name);
    return { name, ...read.value, plan: planJob(read.value.design, read.value.shelf) };
  });
const kindsOf = ({ steps }: Plan) => steps.filter(({ attended }) => attended).map(({ kind }) => kind);
const panel = (over: Partial<Part> = {}): Part => ({
  id: 'panel',
  name: 'Panel',
  count: 1,
  substrate: 'steel',
  present: { system: 'two-part', colour: '#e8e4da', ageH: 9000 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 900, height: 400 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [
    {
      kind: 'straight',
      id: 'a',
      name: 'A',
      runOn: true,
      datum: 'base',
      from: { along: 0, above: 200 },
      to: { along: 900, above: 200 },
    },
    {
      kind: 'straight',
      id: 'b',
      name: 'B',
      runOn: true,
      datum: 'base',
      from: { along: 450, above: 0 },
      to: { along: 450, above: 400 },
    },
  ],
  ...over,
});
const job = (finish: string, over: Partial<Part> = {}, kind: Design['kind'] = 'road'): Plan =>
  planJob(
    {
      ...emptyDesign('x', kind),
      parts: [panel(over)],
      scheme: { areas: [{ part: 'panel', seed: [200, 100], finish }] },
    },
    SHIPPED_SHELF,
  );
const finishOf = (system: PaintSystemKey) =>
  SHIPPED_SHELF.finishes.find((finish) => finish.system === system)?.id ?? '';

// What good hands do, read off the plan alone.
describe.each(demos)('$name', ({ plan, shelf }) => {
  it('begins with a wash and ends with a look', () => {
    const kinds = kindsOf(plan);
    expect([kinds[0], kinds[kinds.length - 1]]).toEqual(['wash', 'inspect']);
  });
  it('cleans the gun after the last coat, before any wait of the next stage', () => {
    for (const stage of plan.stages) {
      const steps = plan.steps.filter((step) => step.stage === stage.number);
      const last = steps.findLastIndex(({ kind }) => kind === 'coat');
      const { method } = shelf.finishes.find(({ id }) => id === stage.finish) ?? { method: 'brush' };
      const cleaned = steps.findIndex(({ kind }, index) => index > last && kind === 'gun-clean');
      expect(cleaned > last).toBe(method === 'gun' || method === 'airbrush');
      if (cleaned > last)
        expect(steps.slice(last + 1, cleaned).every(({ kind }) => kind === 'pull' || kind === 'unplug')).toBe(true);
    }
  });
  it('lets no tape lie while something below is waited for', () => {
    for (const { number } of plan.stages) {
      const steps = plan.steps.filter((step) => step.stage === number);
      const laid = steps.findIndex(({ kind }) => kind === 'lay' || kind === 'cover');
      const waited = steps.findIndex(({ kind, id }) => kind === 'wait' && /:wait:(over|tape-safe)$/.test(id));
      if (laid >= 0 && waited >= 0) expect(waited).toBeLessThan(laid);
    }
  });
  it('gives every step its minutes, and no coat less film than its times are stated for', () => {
    for (const { kind, startMin, endMin } of plan.steps) if (kind !== 'prime') expect(endMin).toBeGreaterThan(startMin);
    for (const { coats, coatsFloor } of plan.stages) expect(coats).toBeGreaterThanOrEqual(coatsFloor);
  });
  it('tells each caution once', () => {
    const told = plan.steps.flatMap(({ safety }) => safety);
    expect(new Set(told).size).toBe(told.length);
  });
});

describe('what a job calls for', () => {
  it('nothing is abraded under peelable', () => {
    const plan = job(finishOf('peelable'));
    expect(plan.stages).toHaveLength(1);
    expect(kindsOf(plan)).not.toContain('abrade');
    expect(plan.stages[0]!.coats).toBe(5);
  });
  it('the leaks of this mask, and none where there is none', () => {
    const gate = (plan: Plan) => plan.steps.find(({ kind }) => kind === 'gate')?.say.values;
    expect(gate(job(finishOf('two-part')))).toEqual({
      masked: true,
      leaks: [{ code: 'leak.crossing', values: { part: 'Panel', places: ['L1 × L2'] } }],
    });
    const line = firstItem(panel().lines);
    expect(gate(job(finishOf('two-part'), { lines: [line] }))).toEqual({ masked: true, leaks: [] });
  });
  it('what is rolled or brushed is told of no gun and no mist, and needs no booth', () => {
    const plan = job(finishOf('brush-enamel'), {}, 'boat');
    expect(kindsOf(plan)).not.toContain('gun-clean');
    expect(plan.safety).not.toContain('spray');
    expect(plan.steps.flatMap(({ needs }) => needs)).not.toContain('booth');
  });
  it.each([
    ['two-part', 'road', ['isocyanate', 'spray', 'road']],
    ['can-enamel', 'other', ['spray', 'can']],
    ['varnish', 'boat', ['rags']],
    ['antifouling', 'boat', ['antifouling']],
    ['two-part', 'aircraft', ['isocyanate', 'aircraft']],
  ] as const)('%s on a job of the kind %s brings its cautions', (system, kind, codes) => {
    const { safety } = job(finishOf(system), {}, kind);
    expect(safety).toEqual(expect.arrayContaining([...codes]));
    if (!PAINT_SYSTEMS[system].isocyanate) expect(safety).not.toContain('isocyanate');
  });
  it('old antifouling is abraded wet, for its dust is poison', () => {
    const plan = job(
      finishOf('antifouling'),
      { present: { system: 'antifouling', colour: '#7d3a30', ageH: 9000 } },
      'boat',
    );
    // Nobody knows which antifouling it is: a barrier coat parts the two.
    expect(kindsOf(plan)).toContain('prime');
  });
  it('a night in the warm before tape where it is cold', () => {
    const cold = planJob(
      {
        ...emptyDesign('x', 'road'),
        climate: { airC: 8, rhPercent: 50, surfaceC: null, movement: 'normal' },
        parts: [panel()],
        scheme: { areas: [{ part: 'panel', seed: [200, 100], finish: finishOf('two-part') }] },
      },
      SHIPPED_SHELF,
    );
    const kinds = cold.steps.map(({ kind }) => kind);
    expect(kinds.indexOf('warm')).toBeGreaterThan(kinds.indexOf('abrade'));
    expect(kinds.indexOf('warm')).toBeLessThan(kinds.indexOf('lay'));
  });
});
