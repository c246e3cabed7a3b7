// Plans random jobs and checks each plan: node --import tsx core/src/testing/check-random-plans.ts FIRST_SEED COUNT
// Prints one line a plan that contradicts itself, or whose tapes lie where they should not, with its seed, and at the end how many were planned and how many have stages.
import { planFaults } from '../check';
import { PULL_TIMINGS } from '../finish';
import { isLine } from '../items';
import { firstTwo } from '../kit';
import { planJob } from '../plan';
import { newPartCache, workOutParts } from '../setout';
import { misplacedTape } from './misplaced-tape';
import { RANDOM_SHELF, randomJob } from './random-jobs';

const [first, count] = firstTwo(process.argv.slice(2).map(Number));
const tell = (label: string, faults: readonly unknown[]) => {
  if (faults.length > 0) process.stdout.write(`${label}: ${JSON.stringify(faults.slice(0, 3))}\n`);
};

let staged = 0;
let masked = 0;
let divided = 0;
for (let seed = first; seed < first + count; seed++) {
  const store = newPartCache();
  const design = randomJob(seed, store);
  const plan = planJob(design, RANDOM_SHELF, store);
  if (plan.stages.length > 0) staged++;
  if (plan.items.length > 0) masked++;
  tell(`seed ${seed}`, [...planFaults(plan), ...misplacedTape(plan, workOutParts(design, store))]);
  if (seed % 4 === 2) {
    // Many of the same, pulled wet and by one person, whatever that takes.
    const parts = design.parts.map((part) => ({ ...part, count: Math.min(40, 9 * part.count) }));
    const alone = planJob(
      { ...design, parts, choices: { ...design.choices, school: 'wet', alone: true } },
      RANDOM_SHELF,
      store,
    );
    tell(`seed ${seed} alone`, planFaults(alone));
    if (alone.stages.some(({ sections }) => sections)) divided++;
  }
  if (seed % 4 > 0) continue;
  // The same with a pull timing for every second line.
  const lines = [
    ...new Map(
      plan.items.filter(isLine).map(({ part, line, lineCode }) => [`${part} ${line}`, { part, line, lineCode }]),
    ).values(),
  ];
  const pulls = lines.flatMap(({ part, line }, index) =>
    index % 2 === 0 ? [{ part, line, school: PULL_TIMINGS[(seed / 4 + index / 2) % 3]! }] : [],
  );
  tell(
    `seed ${seed} with lines pulled apart`,
    planFaults(planJob({ ...design, choices: { ...design.choices, pulls } }, RANDOM_SHELF, store)),
  );
}
process.stdout.write(`${count} planned, ${staged} with stages, ${masked} with masks, ${divided} in sections\n`);
