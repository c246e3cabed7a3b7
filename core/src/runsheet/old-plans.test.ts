import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { wordsFor } from '@lintrel/words';
import { type FrozenPlan, isFrozenPlan, readWorkSheet } from '.';

// Plans that were frozen by earlier versions, when jobs were started: a shop works by them to their end.

const FOLDER = join(__dirname, '../formats/old');
const plans = readdirSync(FOLDER)
  .filter((name) => /-plan-\d+\.json$/.test(name))
  .map((name) => [name, JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as FrozenPlan] as const);

/** What a code, a value nobody has put into words, or a missing word looks like. */
const RAW = /undefined|NaN|\bnull\b|\[object|\b[a-z]+\.[a-z]+(?:-[a-z]+)*\b(?! \d)| · \w+ \S+ · /;

it('there is at least one plan of every version so far', () =>
  expect([...new Set(plans.map(([, { version }]) => version))].sort()).toEqual([1, 2]));

it.each(plans)('%s is read in words, no code showing', (_, plan) => {
  expect(isFrozenPlan(plan)).toBe(true);
  const { steps, safety } = readWorkSheet(plan);
  expect(steps.length).toBeGreaterThan(10);
  const { say, detail, caution, time } = wordsFor();
  for (const step of steps) {
    expect(say(step.say)).toMatch(/\S/);
    expect(say(step.say)).not.toMatch(RAW);
    expect(detail(step.say)).not.toMatch(RAW);
    for (const { code } of step.after) if (code !== 'order') expect(time(code)).not.toMatch(RAW);
    for (const code of step.safety) expect(caution(code as Parameters<typeof caution>[0])).not.toMatch(RAW);
  }
  // Those of version 1 are sentences already.
  if (plan.version > 1)
    for (const code of safety) expect(caution(code as Parameters<typeof caution>[0])).toMatch(/^[A-Z].{30,}\.$/);
});
