import { twoOf } from './units';
// Plans random jobs and checks each plan: node --import tsx core/src/check-random-plans.ts FIRST_SEED COUNT
// Prints one line a plan that contradicts itself, or whose tapes lie where they should not, with its seed, and at the end how many were planned and how many have stages.
import { planFaults, planJob } from './plan';
import { newWorkStore, workOutParts } from './setout';
import { tapesAstray } from './testing-geometry';
import { randomJob, RANDOM_SHELF } from './testing-jobs';

const [first, count] = twoOf(process.argv.slice(2).map(Number));
let staged = 0;
let masked = 0;
for (let seed = first; seed < first + count; seed++) {
  const store = newWorkStore();
  const design = randomJob(seed, store);
  const plan = planJob(design, RANDOM_SHELF, store);
  if (plan.stages.length > 0) staged++;
  if (plan.items.length > 0) masked++;
  const faults = [...planFaults(plan), ...tapesAstray(plan, workOutParts(design, store))];
  if (faults.length > 0) process.stdout.write(`seed ${seed}: ${JSON.stringify(faults.slice(0, 3))}\n`);
}
process.stdout.write(`${count} planned, ${staged} with stages, ${masked} with masks\n`);
