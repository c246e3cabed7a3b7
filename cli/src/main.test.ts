import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Plan } from '@lintrel/core';
import { planReport } from './plan-report';

const ROOT = join(__dirname, '../..');
const lintrel = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['cli/bin/lintrel.mjs', ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
};
const folder = mkdtempSync(join(tmpdir(), 'lintrel-cli-'));
function file(
  change: (data: { design: { parts: { surface: { outline: object }; lines: object[] }[] } }) => void,
): string {
  const data = JSON.parse(readFileSync(join(ROOT, 'examples/juniper.json'), 'utf8'));
  change(data);
  const path = join(folder, `${Math.random()}.json`);
  writeFileSync(path, JSON.stringify(data));
  return path;
}

it('plans a job, twice the same', () => {
  const first = lintrel('plan', 'examples/juniper.json');
  expect(first.status).toBe(0);
  expect(JSON.parse(first.stdout)).toMatchObject({ format: 'lintrel-plan', version: 2 });
  expect(lintrel('plan', 'examples/juniper.json').stdout).toBe(first.stdout);
});
it('adds the words to everything that is said, and to nothing else', () => {
  const plain = JSON.parse(lintrel('plan', 'examples/juniper.json').stdout) as Plan;
  const worded = JSON.parse(lintrel('plan', 'examples/juniper.json', '--words').stdout) as Plan;
  const without = JSON.stringify(worded, (key, value: unknown) => (key === 'words' ? undefined : value));
  expect(JSON.parse(without)).toEqual(plain);
  for (const { say } of worded.steps) expect((say as unknown as { words: string }).words).toMatch(/^[A-Z0-9].{3,}/);
  expect(worded.advice.every((advice) => (advice as unknown as { words: string }).words.length > 10)).toBe(true);
});
it('a plan that contradicts itself is told rule by rule, and ends with 3', () => {
  const plan = JSON.parse(lintrel('plan', 'examples/marigold.json').stdout) as Plan;
  expect(planReport('job.json', plan)).toEqual({ code: 0, lines: [] });
  const broken = { ...plan, items: plan.items.filter(({ kind }) => kind !== 'cover') };
  const { code, lines } = planReport('job.json', broken);
  expect(code).toBe(3);
  expect(lines.join('\n')).toMatch(/^job\.json: stage 1: .* is covered by nothing$/m);
});
it('checks a sound file', () =>
  expect(lintrel('check', 'examples/saltwort.json')).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/sound/),
  }));
it('refuses a bad file with exit 2 and one line a fault, without a stack', () => {
  const bad = file(({ design }) => {
    design.parts[1]!.surface.outline = { kind: 'rectangle', width: -1, height: 'tall' };
  });
  for (const command of ['check', 'plan']) {
    const { status, stdout, stderr } = lintrel(command, bad);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.trim().split('\n')).toEqual([
      'design.parts[1].surface.outline.width: must be above 0 and at most 30000 mm',
      'design.parts[1].surface.outline.height: needs a number above 0 and up to 30000 mm',
    ]);
  }
});
it('names a line that lies outside its part', () => {
  const off = file(({ design }) => {
    design.parts[0]!.lines[0] = {
      kind: 'straight',
      id: 'waist',
      name: 'Waist',
      runOn: false,
      datum: 'base',
      from: { along: 0, above: 9000 },
      to: { along: 9, above: 9000 },
    };
    design.parts[0]!.lines.pop();
  });
  expect(lintrel('check', off)).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/^design\.parts\[0\]\.lines\[0\]: lies outside the part/),
  });
});
it.each([
  [['check', '/nowhere/job.json'], /cannot be read: ENOENT/],
  [['ask', 'bend', 'radius=abc', 'tape=V6'], /^radius: "abc" is not a length/],
  [['ask', 'bend', 'radius', '=3'], /is not KEY=VALUE/],
  [['ask', 'bend', 'radius=1', 'radius=2'], /given twice/],
  [['ask', 'moon'], /there is no question/],
  [['fly'], /lintrel plan FILE/],
  [[], /lintrel plan FILE/],
])('ends with 2 on %j', (args, message) => {
  const { status, stdout, stderr } = lintrel(...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(message);
});
it.each(['log', 'design', 'parts', 'finishes', 'lines'])(
  'a file of a million empty things as %s is refused in few lines',
  (key) => {
    const path = join(mkdtempSync(join(tmpdir(), 'lintrel-')), 'bomb.json');
    const things = `[${'{},'.repeat(1_300_000)}{}]`;
    const places: Record<string, string> = {
      log: `{"log":${things}}`,
      design: `{"design":${things}}`,
      parts: `{"design":{"parts":${things}}}`,
      finishes: `{"shelf":{"finishes":${things}}}`,
      lines: `{"design":{"parts":[{"lines":${things}}]}}`,
    };
    writeFileSync(path, places[key]!);
    const { status, stdout, stderr } = lintrel('check', path);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.split('\n').length).toBeLessThan(60);
    expect(stderr.length).toBeLessThan(20_000);
  },
);
it('answers a question as one JSON object', () => {
  const { status, stdout } = lintrel('ask', 'dome', 'radius=90', 'width=18mm', 'fold=0.5%');
  expect([status, JSON.parse(stdout)]).toEqual([0, { pleatStrain: 0.005, lays: true, widestMm: 18 }]);
});
