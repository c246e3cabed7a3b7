import type { Item, LineItem, Plan, StagePlan } from '../contract';
import { isLine, isOpeningTape, itemsLyingIn } from '../items';
import { type AreaRef, areaRef, type ItemId, type PartId } from '../kit';
import type { Step } from '../runsheet';
import type { PartPlan } from '../setout';
import { sidesOf } from './area-refs';
import { type PlanFault, SUM_TOLERANCE } from './plan-fault';
import { isBrushed } from './stage-method';

/** Every covered area under a cover, no open one under any, every edge between the two made once. */
export function maskFaults(stage: StagePlan, { parts, items, steps }: Plan): PlanFault[] {
  const on = itemsLyingIn(items, stage).filter((item) => item.kind !== 'plug' && !isOpeningTape(item));
  const lines = on.filter(isLine);
  const [open, covered] = [new Set(stage.open), new Set(stage.covered)];
  const under = new Set(
    on.flatMap((item) => ('area' in item && item.area !== null ? [areaRef(item.part, item.area)] : [])),
  );
  const whole = new Set(on.flatMap((item) => (item.kind === 'cover' && item.area === null ? [item.part] : [])));
  const unreached = wholeFaults(stage, parts, whole);
  const bare = stage.covered
    .filter((ref) => !under.has(ref) && !isTapedRound(ref, parts, lines, isBrushed(stage, steps) ? open : null))
    .map((area): PlanFault => ({ code: 'broken.uncovered', values: { stage: stage.number, area } }));
  const wrongly = stage.open
    .filter((ref) => under.has(ref))
    .map((area): PlanFault => ({ code: 'broken.open-covered', values: { stage: stage.number, area } }));
  const edges = parts.flatMap((part) =>
    part.borders.flatMap((border): PlanFault[] => {
      const [left, right] = sidesOf(part, border);
      const side =
        open.has(left) && covered.has(right) ? 'right' : open.has(right) && covered.has(left) ? 'left' : null;
      if (side === null) return [];
      const tapedEdges = edgesMade(lines, part.id, border, side, side === 'right' ? right : left);
      return tapedEdges === 1
        ? []
        : [
            {
              code: 'broken.edge',
              values: { stage: stage.number, line: border.line, fromMm: border.from, items: tapedEdges },
            },
          ];
    }),
  );
  return [...bare, ...wrongly, ...unreached, ...edges, ...rimFaults(stage, on, parts, open)];
}

/**
 * True where the tapes along an area are all that covers it: one lies on it along each of its lines, and together they
 * are large enough. Beside a brush they lie along what is open, and need not cover it all.
 */
function isTapedRound(
  ref: AreaRef,
  parts: readonly PartPlan[],
  lines: readonly LineItem[],
  open: ReadonlySet<AreaRef> | null,
): boolean {
  let tapedMm2 = 0;
  const round = parts.every((part) =>
    part.borders.every((border) => {
      const [left, right] = sidesOf(part, border);
      if (left !== ref && right !== ref) return true;
      const [side, other] = left === ref ? (['left', right] as const) : (['right', left] as const);
      const along = lines.filter((item) => item.part === part.id && item.line === border.line && item.side === side);
      tapedMm2 += (border.to - border.from) * Math.max(0, ...along.map(({ widthMm }) => widthMm));
      return (open !== null && !open.has(other)) || edgesMade(lines, part.id, border, side, ref) === 1;
    }),
  );
  const area = parts.flatMap((part) => part.areas.filter(({ id }) => areaRef(part.id, id) === ref))[0];
  return round && (open !== null || (area !== undefined && tapedMm2 >= area.sizeM2 * 1e6));
}

/** Every stretch of an outline with paint on exactly one side is masked once. */
function rimFaults(
  { number }: StagePlan,
  on: readonly Item[],
  parts: readonly PartPlan[],
  open: ReadonlySet<AreaRef>,
): PlanFault[] {
  // Tape beside foam carries the cover; the edge is masked by the foam.
  const rims = on.flatMap((item) => (item.kind === 'rim' && item.outlines === undefined ? [item] : []));
  return parts.flatMap((part) =>
    part.rims.flatMap(({ edge, from, to, area, other, oneWay }): PlanFault[] => {
      const isOpen = open.has(areaRef(part.id, area));
      const meets = isOpen !== open.has(other) && (isOpen || !oneWay);
      const laid = rims.filter(
        (item) =>
          item.part === part.id &&
          item.edge === edge &&
          item.from < to - SUM_TOLERANCE &&
          item.to > from + SUM_TOLERANCE,
      );
      // What was laid for an earlier stage may still be on where nothing meets any more.
      if (meets ? laid.length === 1 : laid.every((item) => item.stage < number)) return [];
      return [
        {
          code: 'broken.edge',
          values: { stage: number, line: `${part.id}, edge ${edge + 1}`, fromMm: from, items: laid.length },
        },
      ];
    }),
  );
}

/** Every attached part in reach that is not sprayed is under a cover, and no sprayed part is. */
function wholeFaults(
  { number, open, coveredParts }: StagePlan,
  parts: readonly PartPlan[],
  whole: ReadonlySet<PartId>,
): PlanFault[] {
  const opened = new Set(open);
  const sprayed = new Set(
    parts.filter(({ id, areas }) => areas.some((area) => opened.has(areaRef(id, area.id)))).map(({ id }) => id),
  );
  const bare = coveredParts.filter((part) => !whole.has(part));
  const wrongly = [...whole].filter((part) => sprayed.has(part));
  // What hangs directly on a sprayed part is in reach of anything that is sprayed at all.
  const next = parts.filter(
    ({ id, attached }) =>
      coveredParts.length > 0 && !sprayed.has(id) && attached.some((attachedId) => sprayed.has(attachedId)),
  );
  const missed = next.filter(({ id }) => !coveredParts.includes(id)).map(({ id }) => id);
  return [
    ...[...bare, ...missed].map((area): PlanFault => ({ code: 'broken.uncovered', values: { stage: number, area } })),
    ...wrongly.map((area): PlanFault => ({ code: 'broken.open-covered', values: { stage: number, area } })),
  ];
}

/**
 * Number of tapes that make an edge: one over a whole strip counts for each of its edges, regardless of its number
 * of pieces.
 */
function edgesMade(
  lines: readonly LineItem[],
  part: PartId,
  { line, from, to }: PartPlan['borders'][number],
  side: 'left' | 'right',
  ref: AreaRef,
): number {
  if (lines.some((item) => item.area !== null && areaRef(item.part, item.area) === ref)) return 1;
  const along = lines.filter(
    (item) => item.area === null && item.part === part && item.line === line && item.side === side,
  );
  const over = along.map((item) => Math.max(0, Math.min(to, item.to) - Math.max(from, item.from)));
  // A line interrupted at a seam continues there with a second piece of tape: together they make the edge once.
  return Math.round((1e3 * over.reduce((sum, length) => sum + length, 0)) / (to - from)) / 1e3;
}

/** Nothing is abraded or washed once tape lies: what is prepared once comes before any tape, the rest before the tape of its stage. */
export function abradeFaults({ steps }: Plan): PlanFault[] {
  return steps.flatMap((step) => {
    if (step.kind !== 'abrade' && step.kind !== 'wash') return [];
    const laid = steps.some(
      ({ stage, kind, startMin }) =>
        (step.stage === null || stage === step.stage) &&
        (kind === 'lay' || kind === 'cover' || kind === 'plug') &&
        startMin < step.endMin - SUM_TOLERANCE,
    );
    return laid ? [{ code: 'broken.late-keying' as const, values: { step: step.id } }] : [];
  });
}

/** Kinds of step in working order; those in one row may come in any order. Waits may come in between. */
const HANDS: readonly (readonly Step['kind'][])[] = [
  ['wash'],
  ['abrade'],
  ['warm'],
  ['plug', 'lay', 'cover'],
  ['seal'],
  ['gate'],
  ['prime'],
  ['gun-strip'],
  ['mix', 'coat'],
  ['gun-clean', 'pull', 'unplug', 'uncover'],
  ['inspect'],
];

/**
 * The steps of a stage, and those of the whole job, are in working order; the final check and mixing come before the
 * colour.
 */
export function orderFaults({ steps, stages }: Plan): PlanFault[] {
  // In sections coats and pulls go in turns, and the gun is cleaned when the last is painted.
  const inTurns = new Set(stages.flatMap(({ sections, number }) => (sections ? [number] : [])));
  const turns = HANDS.findIndex((row) => row.includes('coat'));
  const rank = ({ kind, stage }: Step) =>
    stage !== null && inTurns.has(stage) && (kind === 'pull' || kind === 'gun-clean')
      ? turns
      : HANDS.findIndex((row) => row.includes(kind));
  return [null, ...stages.map(({ number }) => number)].flatMap((number) => {
    const ownSteps = steps.filter((step) => step.stage === number && rank(step) >= 0);
    const early = ownSteps.filter((step, index) => index > 0 && rank(step) < rank(ownSteps[index - 1]!));
    const spray = ownSteps.find(({ kind }) => kind === 'mix' || kind === 'coat');
    const unmixed = spray?.kind === 'coat' ? [spray] : [];
    const checked = number === null || ownSteps.some(({ kind }) => kind === 'gate');
    return [
      ...[...early, ...unmixed].map(({ id }) => id),
      ...(checked ? [] : ownSteps.slice(0, 1).map(({ id }) => id)),
    ].map((step): PlanFault => ({
      code: 'broken.order',
      values: { step },
    }));
  });
}

/** What lies on another is applied after it and removed before it, or the plan says how this is solved. */
export function liesOverFaults({ steps, items }: Plan): PlanFault[] {
  const placeIn = (kinds: readonly Step['kind'][]) =>
    new Map(
      steps
        .filter(({ kind }) => kinds.includes(kind))
        .flatMap((step) => step.items)
        .map((id, place) => [id, place]),
    );
  const [laid, off] = [placeIn(['lay', 'cover', 'plug']), placeIn(['pull', 'uncover', 'unplug'])];
  return items.flatMap((item) => {
    const isTold = item.doubts.some(({ code }) => code === 'doubt.over-earlier');
    const wrong = item.after.filter(
      (id) => laid.get(id)! > laid.get(item.id)! || (!isTold && off.get(id)! < off.get(item.id)!),
    );
    return wrong.map((under): PlanFault => ({ code: 'broken.lies-over', values: { item: item.id, over: under } }));
  });
}

/** Every item is laid by one step and comes off by one step. */
export function laidFaults({ steps, items }: Plan): PlanFault[] {
  const count = (id: ItemId, kinds: readonly Step['kind'][]) =>
    steps.filter((step) => kinds.includes(step.kind) && step.items.includes(id)).length;
  return items.flatMap((item): PlanFault[] => {
    const laid = count(item.id, ['lay', 'cover', 'plug', 'seal']);
    const off = count(item.id, item.kind === 'plug' || isOpeningTape(item) ? ['unplug'] : ['pull', 'uncover']);
    return [
      ...(laid === 1 ? [] : [{ code: 'broken.laid' as const, values: { item: item.id, times: laid } }]),
      ...(off === 1 ? [] : [{ code: 'broken.pulled' as const, values: { item: item.id, times: off } }]),
    ];
  });
}
