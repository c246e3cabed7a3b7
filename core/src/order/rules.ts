import { finishesInUse, type OrderProblem, type OrderRules } from '../stage';
import type { RuleMessage } from './messages';

/** Rules that can hold together, and the faults of the others. */
export interface ConsistentRules {
  readonly rules: OrderRules;
  /** What to change. */
  readonly faults: readonly RuleMessage[];
}

/**
 * Leaves out rules that contradict each other or the areas.
 * @returns the rules for the search, and `faults` for those left out
 */
export function consistentRules(problem: OrderProblem): ConsistentRules {
  const { rules } = problem;
  const used = finishesInUse(problem);
  const name = (id: string) => problem.finishes.get(id)?.name ?? id;
  const faults: RuleMessage[] = [];
  const order = rules.order && [...new Set(rules.order.filter((id) => used.includes(id)))];
  const before = keptPairs(rules, used, (first, then) =>
    faults.push({ code: 'rule.circle', values: { first: name(first), then: name(then) } }),
  );
  const against =
    order &&
    before.find(
      ({ first, then }) =>
        order.includes(then) && (!order.includes(first) || order.indexOf(first) > order.indexOf(then)),
    );
  if (against)
    faults.push({ code: 'rule.order-against', values: { first: name(against.then), then: name(against.first) } });
  const pins = rules.pins.filter(({ finish, area, open }, index) => {
    const pinned = problem.areas[area];
    const names = { area: pinned?.code ?? '', finish: name(finish) };
    if (!pinned || !used.includes(finish)) return false;
    const twice = rules.pins.findIndex(
      (other) => other.finish === finish && other.area === area && other.open !== open,
    );
    if (twice >= 0 && twice < index) faults.push({ code: 'rule.open-and-covered', values: names });
    if (twice >= 0) return twice > index;
    if (!open && pinned.finish === finish) {
      faults.push({ code: 'rule.own-covered', values: names });
      return false;
    }
    if (open && pinned.finish === null && pinned.alike !== finish) {
      faults.push({ code: 'rule.kept-open', values: names });
      return false;
    }
    return true;
  });
  if (rules.mostStages !== null) {
    const stages = used.length + (problem.primer ? 1 : 0) + (problem.clear ? 1 : 0);
    if (stages > rules.mostStages)
      faults.push({ code: 'rule.too-many-stages', values: { stages, most: rules.mostStages } });
  }
  return { rules: { ...rules, order, before: against ? [] : before, pins }, faults };
}

/** Pairs that can hold together; one that would close a circle is refused. */
function keptPairs(
  { before }: OrderRules,
  used: readonly string[],
  refuse: (first: string, then: string) => void,
): OrderRules['before'] {
  const kept: { first: string; then: string }[] = [];
  const leads = (from: string, to: string): boolean =>
    from === to || kept.some(({ first, then }) => first === from && leads(then, to));
  for (const { first, then } of before) {
    if (!used.includes(first) || !used.includes(then)) continue;
    if (leads(then, first)) refuse(first, then);
    else kept.push({ first, then });
  }
  return kept;
}
