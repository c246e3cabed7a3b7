import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { depth } from '../../../scripts/test-limits.mjs';
import type { Plan } from '../contract';
import { readJobFile } from '../formats';
import { planJob } from '../plan';
import { BREAKS } from '../testing/broken-plans';
import { dice, RANDOM_SHELF, randomJob } from '../testing/random-jobs';
import { planFaults } from './plan-faults';

// Sound plans broken at random places: the check finds nearly all of it.

const FOLDER = join(__dirname, '../../../examples');
const filed = ['', 'cases'].flatMap((folder) =>
  readdirSync(join(FOLDER, folder))
    .filter((name) => name.endsWith('.json'))
    .map((name): Plan => {
      const read = readJobFile(readFileSync(join(FOLDER, folder, name), 'utf8'));
      if (!read.ok) throw new Error(`${name} cannot be read`);
      return planJob(read.value.design, read.value.shelf);
    }),
);
const random = Array.from({ length: depth(4, 40) }, (_, index) => planJob(randomJob(index + 1), RANDOM_SHELF));
const TRIES = 4;

it('what is broken on purpose is found, at least 98 of 100', () => {
  let [broken, found] = [0, 0];
  const missed: string[] = [];
  [...filed, ...random].forEach((plan, index) => {
    const roll = dice(1000 + index);
    for (const [name, change] of Object.entries(BREAKS))
      for (let time = 0; time < TRIES; time++) {
        const wrong = change(plan, roll);
        if (!wrong) continue;
        broken++;
        if (planFaults(wrong).length > 0) found++;
        else missed.push(`${name}: plan ${index}`);
      }
  });
  expect(broken).toBeGreaterThan(500);
  if (found / broken < 0.98) throw new Error(`${found} of ${broken} found; missed:\n${missed.join('\n')}`);
});

it('each way of breaking a plan can be tried on one of them', () => {
  const roll = dice(7);
  const never = Object.entries(BREAKS).filter(([, change]) =>
    [...filed, ...random].every((plan) => change(plan, roll) === null),
  );
  expect(never.map(([name]) => name)).toEqual([]);
});
