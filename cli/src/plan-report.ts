import { type Plan, planFaults } from '@lintrel/core';
import { WORDS } from './words';

/** Exit codes: 0 done, 2 bad input, 3 a plan that contradicts itself: a bug of ours. */
export const EXIT = { done: 0, badInput: 2, brokenPlan: 3 } as const;

/** Report of a plan made from a file: every rule it breaks, one line each, and the exit code. */
export function planReport(path: string, plan: Plan): { readonly code: number; readonly lines: readonly string[] } {
  const lines = planFaults(plan).map((broken) => `${path}: ${WORDS.say(broken)}`);
  return { code: lines.length > 0 ? EXIT.brokenPlan : EXIT.done, lines };
}
