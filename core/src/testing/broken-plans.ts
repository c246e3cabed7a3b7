// Plans broken on purpose, in ways a plan could go wrong: each change takes a sound plan and returns one that contradicts itself, or null where
// the plan has nothing to break so.
import type { CoverItem, Item, LineItem, Plan, SurroundingsItem } from '../contract';
import { isLine } from '../items';
import type { ItemId } from '../kit';
import type { Step } from '../runsheet';
import type { dice } from './random-jobs';

type Dice = ReturnType<typeof dice>;
type Break = (plan: Plan, roll: Dice) => Plan | null;

const without = <T>(list: readonly T[], gone: T): T[] => list.filter((one) => one !== gone);
const replaced = <T>(list: readonly T[], old: T, next: T): T[] => list.map((one) => (one === old ? next : one));

/** Something of a list at random; null from an empty one. */
const some = <T>(list: readonly T[], roll: Dice): T | null => (list.length === 0 ? null : roll.of(list));

/** Leaves an item out of the plan, and out of every step and list that names it. */
function withoutItem(plan: Plan, { id }: Item): Plan {
  const less = <T extends { readonly items: readonly string[] }>(one: T): T => ({
    ...one,
    items: one.items.filter((other) => other !== id),
  });
  return {
    ...plan,
    items: plan.items
      .filter((item) => item.id !== id)
      .map((item) => ({ ...item, after: item.after.filter((other) => other !== id) }) as Item),
    steps: plan.steps.map(less),
    stages: plan.stages.map(less),
  };
}

const dropOne =
  (isOne: (item: Item) => boolean): Break =>
  (plan, roll) => {
    const item = some(plan.items.filter(isOne), roll);
    return item && withoutItem(plan, item);
  };

const changeOne =
  <T extends Item>(isOne: (item: Item) => item is T, change: (item: T, roll: Dice) => Item): Break =>
  (plan, roll) => {
    const item = some(plan.items.filter(isOne), roll);
    return item && { ...plan, items: replaced<Item>(plan.items, item, change(item, roll)) };
  };

const changeStep =
  (isOne: (step: Step) => boolean, change: (step: Step) => Partial<Step>): Break =>
  (plan, roll) => {
    const step = some(plan.steps.filter(isOne), roll);
    return step && { ...plan, steps: replaced(plan.steps, step, { ...step, ...change(step) }) };
  };

const comesOff = ({ kind }: Step): boolean => kind === 'pull' || kind === 'uncover' || kind === 'unplug';
const isLaying = ({ kind }: Step): boolean => kind === 'lay' || kind === 'cover' || kind === 'plug';
const isWide = (item: Item): item is LineItem => isLine(item) && item.kind === 'line';
const isRim = (item: Item): item is SurroundingsItem => item.kind === 'rim' && item.outlines === undefined;
const isHung = (item: Item): item is CoverItem => item.kind === 'cover' && item.area !== null;

/** Moves an item that lies on another into a step in which things come off after that other. */
const liftUnder: Break = (plan, roll) => {
  const offAt = new Map(
    plan.steps.flatMap((step, at) => (comesOff(step) ? step.items.map((id) => [id, at] as const) : [])),
  );
  const pairs = plan.items.flatMap((upper) =>
    upper.after.flatMap((lower) => {
      const [up, low] = [offAt.get(upper.id), offAt.get(lower)];
      return up !== undefined && low !== undefined && up < low ? [{ upper: upper.id, lower, up, low }] : [];
    }),
  );
  const pair = some(pairs, roll);
  if (!pair) return null;
  // They change places.
  const swap = (id: ItemId): ItemId => (id === pair.upper ? pair.lower : id === pair.lower ? pair.upper : id);
  return {
    ...plan,
    steps: plan.steps.map((step, at) =>
      at === pair.up || at === pair.low ? { ...step, items: step.items.map(swap) } : step,
    ),
  };
};

/** The ways, by name, with what is broken. */
export const BREAKS: Readonly<Record<string, Break>> = {
  'a line tape is left out': dropOne(isWide),
  'a tape along the surroundings is left out': dropOne(isRim),
  'a cover is left out': dropOne((item) => item.kind === 'cover'),
  'a tape of an opening is left out of what comes off': changeStep(
    ({ kind, items }) => kind === 'unplug' && items.length > 1,
    ({ items }) => ({ items: items.slice(1) }),
  ),
  'a line tape covers half its edge': changeOne(isWide, (item) => ({ ...item, to: (item.from + item.to) / 2 })),
  'a line tape lies on the wrong side': changeOne(isWide, (item) => ({
    ...item,
    side: item.side === 'left' ? 'right' : 'left',
  })),
  'a tape along the surroundings ends early': changeOne(isRim, (item) => ({
    ...item,
    from: item.to,
    to: item.to,
  })),
  'tape lies over a seam where no sheet ends': (plan, roll) => {
    const line = some(plan.items.filter(isWide), roll);
    return (
      line && {
        ...plan,
        items: [...plan.items, { ...line, id: `${line.id}/seam`, kind: 'seam', over: line.id } as unknown as Item],
      }
    );
  },
  'a cover hangs from nothing': changeOne(isHung, (item) => ({ ...item, after: [] })),
  'what lies on another comes off after it': liftUnder,
  'an item is laid twice': (plan, roll) => {
    const step = some(
      plan.steps.filter((one) => isLaying(one) && one.items.length > 0),
      roll,
    );
    const other = step && some(without(plan.steps.filter(isLaying), step), roll);
    return step && other
      ? { ...plan, steps: replaced(plan.steps, other, { ...other, items: [...other.items, step.items[0]!] }) }
      : null;
  },
  'an item never comes off': changeStep(
    (step) => comesOff(step) && step.items.length > 0,
    ({ items }) => ({ items: items.slice(0, -1) }),
  ),
  'a mask is lifted a stage early': (plan, roll) => {
    const item = some(
      plan.items.filter(({ stage, until }) => until.stage > stage),
      roll,
    );
    const early = item && plan.steps.find((step) => comesOff(step) && step.stage === item.stage);
    if (!item || !early) return null;
    return {
      ...plan,
      steps: plan.steps.map((step) =>
        step === early
          ? { ...step, items: [...step.items, item.id] }
          : comesOff(step)
            ? { ...step, items: step.items.filter((id) => id !== item.id) }
            : step,
      ),
    };
  },
  'a pull comes after its window': changeStep(
    ({ kind }) => kind === 'pull',
    ({ startMin, endMin }) => ({ startMin: startMin + 50_000, endMin: endMin + 50_000 }),
  ),
  'openings are opened after their window': changeStep(
    ({ kind }) => kind === 'unplug',
    ({ startMin, endMin }) => ({ startMin: startMin + 50_000, endMin: endMin + 50_000 }),
  ),
  'a coat comes before the one below takes it': changeStep(
    ({ kind, after }) => kind === 'coat' && after.some(({ minMin }) => minMin > 1),
    ({ startMin, after }) => ({ startMin: startMin - Math.max(...after.map(({ minMin }) => minMin)) - 1 }),
  ),
  'a place is washed after tape lies': (plan, roll) => {
    const wash = some(
      plan.steps.filter(({ kind }) => kind === 'wash'),
      roll,
    );
    const gate = plan.steps.findIndex(({ kind }) => kind === 'gate');
    if (!wash || gate < 0 || !plan.steps.slice(0, gate).some(isLaying)) return null;
    const rest = without(plan.steps, wash);
    const at = rest.findIndex(({ kind }) => kind === 'gate');
    return { ...plan, steps: [...rest.slice(0, at), wash, ...rest.slice(at)] };
  },
  'the final check is left out': changeStep(
    ({ kind }) => kind === 'gate',
    () => ({ kind: 'wait' }),
  ),
  'steps of one person overlap': (plan, roll) => {
    const at = roll.whole(1, Math.max(1, plan.steps.length - 1));
    const [before, step] = plan.steps.slice(at - 1, at + 1);
    return before && step && before.attended && step.attended && before.endMin > before.startMin + 0.1
      ? { ...plan, steps: replaced(plan.steps, step, { ...step, startMin: before.startMin }) }
      : null;
  },
  'the minutes of a stage are not those of its parts': (plan, roll) => {
    const stage = some(
      plan.stages.filter(({ pullMin }) => pullMin > 0),
      roll,
    );
    return stage && { ...plan, stages: replaced(plan.stages, stage, { ...stage, pullMin: stage.pullMin + 5 }) };
  },
  'a large cover comes off while the paint is wet': (plan, roll) => {
    const step = some(
      plan.steps.filter(
        ({ kind, items }) =>
          kind === 'uncover' &&
          items.some((id) =>
            plan.items.some((item) => item.id === id && item.kind === 'cover' && item.area === 'beyond'),
          ),
      ),
      roll,
    );
    const stage = step && plan.stages.find(({ number }) => number === step.stage);
    if (!step || !stage?.windows || step.startMin < stage.lastCoatMin + stage.windows.touchMin - 1) return null;
    const early = { startMin: stage.lastCoatMin, endMin: stage.lastCoatMin + step.endMin - step.startMin };
    return { ...plan, steps: replaced(plan.steps, step, { ...step, ...early }) };
  },
  'an area is open and covered': (plan, roll) => {
    const cover = some(plan.items.filter(isHung), roll);
    const ref = cover && `${cover.part}/${cover.area}`;
    const stage = cover && plan.stages.find(({ number }) => number === cover.stage);
    if (!ref || !stage || stage.open.includes(ref as never)) return null;
    return {
      ...plan,
      stages: replaced(plan.stages, stage, {
        ...stage,
        open: [...stage.open, ref as never],
        covered: stage.covered.filter((other) => other !== ref),
      }),
    };
  },
  'a step names what is not there': changeStep(
    ({ items }) => items.length > 0,
    ({ items }) => ({ items: [...items, 'nothing' as never] }),
  ),
};
