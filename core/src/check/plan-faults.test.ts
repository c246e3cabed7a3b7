import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { depth } from '../../../scripts/test-limits.mjs';
import type { Plan } from '../contract';
import { readJobFile } from '../formats';
import { isLine } from '../items';
import { firstItem, type ItemId, type StepId } from '../kit';
import { planJob } from '../plan';
import { planFaults } from './plan-faults';

const ROOT = join(__dirname, '../../..');
const folder = join(ROOT, 'examples');
const names = readdirSync(folder).filter((name) => name.endsWith('.json'));
const example = (name: string) => {
  const read = readJobFile(readFileSync(join(folder, name), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const planOf = (name: string, school: 'wet' | 'touch' | 'dry' | null = null): Plan => {
  const { design, shelf } = example(name);
  return planJob({ ...design, choices: { ...design.choices, school } }, shelf);
};

it.each(names.flatMap((name) => ([null, 'wet', 'touch', 'dry'] as const).map((school) => [name, school] as const)))(
  '%s, school %s: never contradicts itself',
  (name, school) => expect(planFaults(planOf(name, school))).toEqual([]),
);

describe('the check itself', () => {
  const plan = planOf('juniper.json');
  const codes = (changed: Partial<Plan>) => [...new Set(planFaults({ ...plan, ...changed }).map(({ code }) => code))];
  const steps = (change: (step: Plan['steps'][number]) => Partial<Plan['steps'][number]> | null): Partial<Plan> => ({
    steps: plan.steps.flatMap((step) => {
      const changed = change(step);
      return changed === null ? [] : [{ ...step, ...changed }];
    }),
  });
  const line = firstItem(plan.items.filter(isLine));
  const pull = plan.steps.find(({ kind }) => kind === 'pull');

  it('is empty for the plan it starts from', () => expect(planFaults(plan)).toEqual([]));
  it('sees a step that is there twice, and one that is named and gone', () => {
    expect(codes({ steps: [...plan.steps, plan.steps[0]!] })).toContain('broken.id');
    expect(codes(steps(({ kind }) => (kind === 'gate' ? null : {})))).toContain('broken.id');
  });
  it('sees a coat that comes before its window opens, or after it has closed', () => {
    const moved = (by: number) =>
      codes(
        steps(({ id, startMin, endMin }) =>
          /:coat:2$/.test(id) ? { startMin: startMin + by, endMin: endMin + by } : {},
        ),
      );
    expect(moved(-5)).toEqual(expect.arrayContaining(['broken.after', 'broken.window']));
    expect(moved(50_000)).toEqual(expect.arrayContaining(['broken.after', 'broken.window']));
  });
  it('sees a window that is not that of the stage', () =>
    expect(
      codes({
        windows: plan.windows.map((window) =>
          window.kind === 'pull' ? { ...window, opensMin: window.opensMin - 1 } : window,
        ),
      }),
    ).toContain('broken.window'));
  it('sees keying after the tape lies', () => {
    const [first, ...rest] = plan.steps.filter(({ stage }) => stage === 1);
    const late = { ...first!, id: 'late' as StepId, kind: 'abrade' as const, startMin: 9e5, endMin: 9e5 };
    expect(codes({ steps: [...plan.steps, late] })).toContain('broken.late-keying');
    expect(rest.some(({ kind }) => kind === 'lay')).toBe(true);
  });
  it('sees steps out of the order of hands, and a stage without its check', () => {
    const swapped = plan.steps.map((step) =>
      step.kind === 'gate'
        ? { ...step, kind: 'mix' as const }
        : step.kind === 'mix'
          ? { ...step, kind: 'gate' as const }
          : step,
    );
    expect(codes({ steps: swapped })).toContain('broken.order');
    expect(codes(steps(({ kind }) => (kind === 'gate' ? { kind: 'wait' } : {})))).toContain('broken.order');
    expect(codes(steps(({ kind }) => (kind === 'wash' ? { startMin: 9e5, endMin: 9e5 } : {})))).toContain(
      'broken.late-keying',
    );
  });
  it('sees an edge without a tape, and one with two', () => {
    expect(codes({ items: plan.items.filter(({ id }) => id !== line.id) })).toContain('broken.edge');
    const edge = plan.items.filter(isLine).find(({ area }) => area === null);
    expect(codes({ items: [...plan.items, { ...(edge ?? line), id: 'again' as ItemId }] })).toContain('broken.edge');
  });
  it('sees a covered area that is bare, and an open one that is covered', () => {
    expect(codes({ items: plan.items.filter(({ kind }) => kind !== 'cover') })).toContain('broken.uncovered');
    expect(
      codes({ stages: plan.stages.map((stage) => ({ ...stage, open: [...stage.open, ...stage.covered] })) }),
    ).toContain('broken.open-covered');
  });
  it('sees tape that is never pulled, or pulled twice, and a plug that stays in', () => {
    expect(codes(steps(({ kind }) => (kind === 'pull' ? { items: [] } : {})))).toContain('broken.pulled');
    expect(
      codes({ steps: [...plan.steps, { ...plan.steps[0]!, id: 'again' as StepId, kind: 'pull', items: [line.id] }] }),
    ).toContain('broken.pulled');
    expect(plan.items.some(({ kind }) => kind === 'plug')).toBe(true);
    expect(codes(steps(({ kind }) => (kind === 'unplug' ? null : {})))).toContain('broken.pulled');
    expect(codes(steps(({ kind }) => (kind === 'plug' ? { items: [] } : {})))).toContain('broken.laid');
  });
  const cover = plan.items.find((item) => item.kind === 'cover' && item.after.length > 0)!;
  it('sees what comes off while another lies on it, and what is laid below what lies already', () => {
    const under = cover.after[0]!;
    const without = steps(({ items }) => ({ items: items.filter((id) => id !== under) }));
    const first = without.steps!.find(({ kind }) => kind === 'pull')!;
    expect(
      codes({
        steps: without.steps!.map((step) => (step === first ? { ...step, items: [under, ...step.items] } : step)),
      }),
    ).toContain('broken.lies-over');
    const lastLaid = without.steps!.findLast(({ kind, stage }) => kind === 'gate' && stage === cover.stage)!;
    expect(
      codes({
        steps: without.steps!.map((step) => (step === lastLaid ? { ...step, kind: 'lay', items: [under] } : step)),
      }),
    ).toContain('broken.lies-over');
  });
  it('sees a cover that hangs from no tape, and a tape over the edge of none', () => {
    const items = plan.items.map((item) => (item.id === cover.id ? { ...item, after: [] } : item));
    expect(codes({ items })).toContain('broken.loose-cover');
    const { tape: _, ...seam } = { ...line, tape: null, id: 'seam' as ItemId, kind: 'seam' as const };
    expect(codes({ items: [...plan.items, seam] })).toContain('broken.seam');
  });
  it('sees a large cover that comes off while the paint is wet', () => {
    const large = plan.items.find((item) => item.kind === 'cover' && item.until.uncover && item.sizeM2 > item.count)!;
    const coat = plan.steps.findLast(({ kind, stage }) => kind === 'coat' && stage === large.until.stage)!;
    const early = steps(({ items, kind }) =>
      kind === 'uncover' && items.includes(large.id) ? { startMin: coat.endMin + 1 } : {},
    );
    expect(codes(early)).toContain('broken.wet-cover');
  });
  it('sees a pull that takes longer than its window', () =>
    expect(codes(steps(({ id, endMin }) => (id === pull?.id ? { endMin: endMin + 1e5 } : {})))).toContain(
      'broken.long-pull',
    ));
  it('sees a pull that tells another window than it has', () =>
    expect(
      codes(
        steps(({ say }) =>
          say.code === 'step.pull'
            ? { say: { ...say, values: { ...say.values, toMin: Number(say.values.toMin) + 60 } } }
            : {},
        ),
      ),
    ).toEqual(['broken.told']));
  it('sees a pull of what is not laid yet', () => {
    const later = plan.items.find(({ stage }) => stage > 1);
    expect(
      codes(steps((step) => (step.kind === 'pull' && step.stage === 1 ? { items: later ? [later.id] : [] } : {}))),
    ).toContain('broken.tape');
  });
  it('sees a sum that is not the sum of its parts', () => {
    expect(codes({ stages: plan.stages.map((stage) => ({ ...stage, layMin: stage.layMin + 1 })) })).toContain(
      'broken.sum',
    );
    expect(codes({ orders: plan.orders.map((order) => ({ ...order, endMin: order.endMin + 1 })) })).toContain(
      'broken.sum',
    );
  });
  it('sees steps that overlap', () =>
    expect(
      codes(
        steps(({ kind, startMin, endMin }) => (kind === 'gate' ? { startMin: startMin - 3, endMin: endMin - 3 } : {})),
      ),
    ).toContain('broken.clock'));
});

/** Plans run in two processes of their own, from one file put together once. */
const checked = (program: string, first: number, count: number): Promise<string> =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, ['--max-semi-space-size=64', program, String(first), String(count)], {
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    let said = '';
    child.stdout.on('data', (data: Buffer) => (said += data.toString()));
    child.stderr.on('data', (data: Buffer) => (said += data.toString()));
    child.on('close', () => resolve(said));
  });

const RANDOM_JOBS = depth(20, 1000);

it('random jobs are planned without a contradiction; the seed of one that is not is printed', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'lintrel-plans-'));
  const program = join(folder, 'check.mjs');
  await build({
    entryPoints: [join(ROOT, 'core/src/testing/check-random-plans.ts')],
    outfile: program,
    bundle: true,
    platform: 'node',
    format: 'esm',
  });
  const [first, second] = await Promise.all([
    checked(program, 1, RANDOM_JOBS),
    checked(program, 1 + RANDOM_JOBS, RANDOM_JOBS),
  ]);
  rmSync(folder, { recursive: true });
  for (const report of [first, second]) {
    const [, planned, staged, masked] = (
      /^(\d+) planned, (\d+) with stages, (\d+) with masks, \d+ in sections\n$/.exec(report) ?? [report]
    ).map(Number);
    expect([report, planned]).toEqual([report, RANDOM_JOBS]);
    expect(staged).toBeGreaterThan(0.7 * RANDOM_JOBS);
    expect(masked).toBeGreaterThan(0.6 * RANDOM_JOBS);
  }
}, 900_000);
