import type { Item, StagePlan } from '../contract';
import type { Finish, PullTiming } from '../finish';
import { inLayingOrder, isLine, sheetLine } from '../items';
import { intersectSpans, messageWithoutValues } from '../kit';
import type { Need } from '../runsheet';
import type { PartPlan } from '../setout';
import { flashMessage } from './flash-message';
import { ownPieceMessage } from './own-piece-message';
import { onePersonMessage } from './sections';
import type { StepClock } from './step-clock';
import { codesByPart, coverPlaces } from './step-places';
import { dryingLocationOf, filmRule, lastCoatOf } from './step-rules';
import type { StepSource } from './steps';

// What comes off after the coats of a stage.

/** Gun cleaned, masks off. A wet pull that leaves no time for it comes before the gun. */
export function afterCoats(stage: StagePlan, finish: Finish, source: StepSource, clock: StepClock): void {
  const { add, pass } = clock;
  const cost = source.sequence.stages[stage.number - 1]!;
  const { waits, cleaning } = cost;
  const clean = () => {
    if (cleaning.minutes > 0) add('gun-clean', null, cleaning.minutes, messageWithoutValues('step.gun-clean'));
  };
  const { pulled, sections } = cost;
  if (sections) {
    // The tape is off already; the gun may have been cleaned on the way.
    if (cleaning.after === sections.heaps.filter(({ turn }) => turn === 'pull').length) clean();
    uncoverStep(stage, source, clock, waits.coverMin);
    return;
  }
  const early = pulled?.early ?? [];
  for (const [turn, pull] of [...early, null].entries()) {
    const restMin = pull ? pull.restMin : (pulled?.restMin ?? waits.pullMin);
    if (cleaning.after === turn) clean();
    const rest = restMin - (cleaning.after === turn ? cleaning.minutes : 0);
    const what = pull ? `pull-${pull.school}` : 'pull';
    const forTape = pull !== null || tapeRemovals(stage, source).length > 0;
    // Masks of which only what covers comes off wait for their time as tape does.
    const forCovers = !forTape && stage.hands > 0 && cost.pulling !== null;
    pass(
      forTape || forCovers ? 'wait' : 'flash',
      forTape ? what : forCovers ? 'uncover' : 'last',
      rest,
      forTape
        ? messageWithoutValues('step.wait-pull')
        : forCovers
          ? messageWithoutValues('step.wait-cover')
          : flashMessage(finish, stage, true),
    );
    if (pull) earlyStep(stage, finish, pull.school, source, clock);
    else pullStep(stage, finish, source, clock);
  }
  if (cleaning.after > early.length) clean();
  uncoverStep(stage, source, clock, waits.coverMin);
}

/** Lines that come off before the rest, with their own pull timing. */
function earlyStep(stage: StagePlan, finish: Finish, school: PullTiming, source: StepSource, { add }: StepClock): void {
  const turn = stage.early?.find((earlyLines) => earlyLines.school === school);
  const tapes = tapeRemovals(stage, source, school);
  if (!turn) return;
  const { pull, hands, pullMin } = turn;
  add(
    'pull',
    school,
    pullMin / hands,
    {
      code: 'step.pull',
      values: {
        finish: finish.name,
        school,
        ...pull,
        hands,
        older: [],
        lines: linesPulled(tapes, source.parts),
        ...coversFirst(tapes, source.parts),
      },
    },
    {
      items: tapes.map(({ id }) => id),
      after: [filmRule(lastCoatOf(stage, source), pull, 'pull', finish, source, dryingLocationOf(school))],
      needs: people(hands),
    },
  );
}

const people = (hands: number): Need[] => Array.from({ length: hands }, () => 'person');

/** Codes of the lines whose tape comes off, part by part. */
const linesPulled = (tapes: readonly Item[], parts: readonly PartPlan[]): string[] =>
  codesByPart(
    tapes.filter(isLine).map((item) => ({ part: item.part, code: sheetLine(item) ?? item.lineCode })),
    parts,
  );

/** What comes off after a stage: the tapes within the window of each paint, the last laid first. */
function pullStep(stage: StagePlan, finish: Finish, source: StepSource, { add }: StepClock): void {
  const { stages } = source;
  const tapes = tapeRemovals(stage, source);
  const { pulled } = source.sequence.stages[stage.number - 1]!;
  if (tapes.length === 0 || !pulled) return;
  const { pullMin, early } = pulled;
  // Masks that stayed on through other coats have no window of their own: the paint that went over them last has.
  const windowed = [...stage.pulls.map((number) => stages[number - 1]!).filter(({ keep }) => keep), stage];
  const windows = windowed.flatMap((other) =>
    other.pull ? [{ one: other, pull: other.pull, school: other.school }] : [],
  );
  const after = windows.map(({ one, pull, school }) =>
    filmRule(lastCoatOf(one, source), pull, 'pull', source.finishes.get(one.finish), source, dryingLocationOf(school)),
  );
  const { school } = stage.pull ? stage : (windowed.find((other) => other.pull !== null) ?? stage);
  // One window is shown, from the last coat: it opens with the last of them and closes with the first.
  const ownWindows = windows.map(({ one, pull }) => {
    const since = one.lastCoatMin - stage.lastCoatMin;
    return { from: since + pull.fromMin, to: pull.toMin === null ? null : since + pull.toMin };
  });
  const window = intersectSpans([{ from: 0, to: null }, ...ownWindows]);
  const values = {
    finish: finish.name,
    school: school ?? finish.school,
    fromMin: window.from,
    toMin: window.to,
    hands: stage.hands,
    ...(stage.hands > 1 ? onePersonMessage(stage) : {}),
    older: stage.pulls.map(String),
    ...(early.length > 0 ? { rest: true } : {}),
    ...coversFirst(tapes, source.parts),
  };
  add(
    'pull',
    null,
    pullMin / stage.hands,
    { code: 'step.pull', values },
    { items: tapes.map(({ id }) => id), after, needs: people(stage.hands) },
  );
}

/** Covers among what is pulled: they lie on line tapes and come off before them. */
export function coversFirst(
  items: readonly Item[],
  parts: readonly PartPlan[],
): { readonly covers?: readonly string[] } {
  const covers = items.flatMap((item) => (item.kind === 'cover' ? [item] : []));
  return covers.length === 0 ? {} : { covers: coverPlaces(covers, parts).places };
}

/** What covers is folded up and taken away once the line tapes are off, with the tape it hangs from; a large cover once nothing is wet. */
function uncoverStep(stage: StagePlan, { items, parts }: StepSource, { add, pass }: StepClock, coverMin: number): void {
  const off = comingOff(stage, items.flatMap(inLayingOrder)).filter(
    ({ until, kind }) => until.uncover && kind !== 'own',
  );
  // What a person laid themselves comes off with its stage, also where all masks stay on.
  const ownItems = items[stage.number - 1]!.own;
  pass('wait', 'cover', coverMin, messageWithoutValues('step.wait-cover'));
  if (off.length + ownItems.length === 0) return;
  const covers = off.flatMap((item) => (item.kind === 'cover' ? [item] : []));
  const tapes = [
    ...new Set(off.flatMap((item) => (item.kind === 'cover' || item.material === null ? [] : [item.material]))),
  ];
  const values = { ...coverPlaces(covers, parts), own: ownItems.map((item) => ownPieceMessage(item, parts)), tapes };
  add(
    'uncover',
    null,
    stage.uncoverMin,
    { code: 'step.uncover', values },
    { items: [...ownItems, ...off].map(({ id }) => id) },
  );
}

/** What comes off in the window of its lines after a stage: with the rest, or before it with its own pull timing. */
export const tapeRemovals = (stage: StagePlan, { items }: StepSource, early?: PullTiming): Item[] =>
  comingOff(
    stage,
    items.flatMap((item) => inLayingOrder({ ...item, closings: [], own: [] })),
  ).filter(({ until }) => !until.uncover && until.early === early);

/** Of what was laid, what comes off after a stage, the last laid first. */
const comingOff = <I extends Item>({ number, hands }: StagePlan, items: readonly I[]): I[] =>
  hands === 0 ? [] : items.filter(({ until }) => until.stage === number).reverse();
