import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Climate } from '../air';
import { planFaults } from '../check';
import type { Plan } from '../contract';
import { type Design, SHIPPED_SHELF, upgradeDesign } from '../job';
import { ruleInAir } from '../log';
import type { AfterRule } from '../runsheet';
import { planJob } from './plan';

const juniper = upgradeDesign(
  (JSON.parse(readFileSync(join(__dirname, '../../../examples/juniper.json'), 'utf8')) as { design: unknown }).design,
) as Design;
const planned = (climate: Partial<Climate>): Plan =>
  planJob({ ...juniper, climate: { ...juniper.climate, ...climate } }, SHIPPED_SHELF);
const rules = (plan: Plan, code: string): AfterRule[] =>
  plan.steps.flatMap(({ after }) => after.filter((rule) => rule.code === code));
const cold = { airC: 10, rhPercent: 50, movement: 'still' as const };

it('coats flash where it is sprayed; colour takes tape where it is left', () => {
  const [here, away] = [planned({}), planned({ left: cold })];
  expect(planFaults(away)).toEqual([]);
  expect(rules(away, 'recoat').map(({ minMin }) => minMin)).toEqual(rules(here, 'recoat').map(({ minMin }) => minMin));
  const [safeHere, safeAway] = [here, away].map((plan) => rules(plan, 'tape-safe').map(({ minMin }) => minMin));
  expect(safeHere!.length).toBeGreaterThan(0);
  safeHere!.forEach((min, index) => expect(safeAway![index]).toBeGreaterThan(1.5 * min));
  // What is pulled wet is pulled where it was sprayed.
  expect(rules(away, 'pull')[0]!.maxMin).toBeCloseTo(rules(here, 'pull')[0]!.maxMin!, 6);
});
it('what is left elsewhere is not counted anew by what the shop measures; what is sprayed is', () => {
  const plan = planned({ left: cold });
  const warm = { measured: [0, 600, 1200].map((atMin) => ({ atMin, airC: 30, rhPercent: 50 })), expected: [] };
  const [safe] = rules(plan, 'tape-safe');
  expect(ruleInAir(safe!, 10, warm)).toEqual(safe);
  const [recoat] = rules(plan, 'recoat');
  expect(ruleInAir(recoat!, 10, warm).minMin).toBeLessThan(0.9 * recoat!.minMin);
  expect(ruleInAir(rules(planned({}), 'tape-safe')[0]!, 10, warm).minMin).toBeLessThan(
    rules(planned({}), 'tape-safe')[0]!.minMin,
  );
  // Warmth brought to it counts wherever it is.
  expect(ruleInAir(safe!, 10, warm, [{ kind: 'heater', fromMin: 10, minutes: 120, filmC: 40 }]).minMin).toBeLessThan(
    safe!.minMin,
  );
});
it('tape wants its own place warm and dry', () => {
  const codes = (climate: Partial<Climate>) => planned(climate).advice.map(({ code }) => code);
  const kinds = (climate: Partial<Climate>) => planned(climate).steps.map(({ kind }) => kind);
  expect(codes({})).not.toContain('advice.cold');
  expect(codes({ taped: { airC: 6, rhPercent: 50 } })).toContain('advice.cold');
  expect(kinds({ taped: { airC: 6, rhPercent: 50 } })).toContain('warm');
  expect(kinds({ airC: 6 })).toContain('warm');
  expect(kinds({ airC: 6, taped: { airC: 20, rhPercent: 50 } })).not.toContain('warm');
  expect(codes({ taped: { airC: 20, rhPercent: 95 } })).toContain('advice.dew');
  // Where it is sprayed still counts.
  expect(codes({ rhPercent: 95, taped: { airC: 20, rhPercent: 40 } })).toContain('advice.dew');
});
