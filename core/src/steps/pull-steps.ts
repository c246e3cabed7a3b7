import type { Item, StagePlan, StepMessage } from '../contract';
import type { Finish, PullTiming } from '../finish';
import { inLayingOrder, isLine, plugsIn, sheetLine } from '../items';
import { intersectSpans, messageWithoutValues } from '../kit';
import type { AfterRule, Need } from '../runsheet';
import type { PartPlan } from '../setout';
import { flashMessage } from './flash-message';
import { ownPieceMessage } from './own-piece-message';
import { onePersonMessage } from './sections';
import type { StepClock } from './step-clock';
import { codesByPart, coverPlaces, plugValues } from './step-places';
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
    const [kind, id, say] = waitBefore(pull?.school ?? null, stage, finish, source);
    pass(kind, id, rest, say);
    if (pull) earlyStep(stage, finish, pull.school, source, clock);
    else {
      pullStep(stage, finish, source, clock);
      openingsStep(stage, source, clock);
    }
  }
  if (cleaning.after > early.length) clean();
  uncoverStep(stage, source, clock, waits.coverMin);
}

/** The wait before a pull: for the tape, for what covers where no tape makes a line, or for the last coat where nothing was masked. */
function waitBefore(
  early: PullTiming | null,
  stage: StagePlan,
  finish: Finish,
  source: StepSource,
): readonly ['wait' | 'flash', string, StepMessage] {
  const { pulled, pulling } = source.sequence.stages[stage.number - 1]!;
  const pulls = early !== null || tapeRemovals(stage, source).length + (pulled?.openings.length ?? 0) > 0;
  if (pulls) return ['wait', early ? `pull-${early}` : 'pull', messageWithoutValues('step.wait-pull')];
  return stage.hands > 0 && pulling !== null
    ? ['wait', 'uncover', messageWithoutValues('step.wait-cover')]
    : ['flash', 'last', flashMessage(finish, stage, true)];
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
  const { early } = pulled;
  const pullMin = pulled.pullMin - pulled.unplugMin;
  const windows = pullWindows(stage, stages);
  const after = pullRules(stage, source);
  const school = stage.pull ? stage.school : (windows[0]?.school ?? stage.school);
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

/** Every window a pull after a stage has to keep. Masks that stayed on through other coats have none of their own: the paint that went over them last has. */
const pullWindows = (stage: StagePlan, stages: readonly StagePlan[]) =>
  [...stage.pulls.map((number) => stages[number - 1]!).filter(({ keep }) => keep), stage].flatMap((other) =>
    other.pull ? [{ one: other, pull: other.pull, school: other.school }] : [],
  );

/** The same as rules of its step. */
const pullRules = (stage: StagePlan, source: StepSource): AfterRule[] =>
  pullWindows(stage, source.stages).map(({ one, pull, school }) =>
    filmRule(lastCoatOf(one, source), pull, 'pull', source.finishes.get(one.finish), source, dryingLocationOf(school)),
  );

/** The openings are opened again, in the same window: cap, film and lip in one, then the tape below; what went in is counted out. */
function openingsStep(stage: StagePlan, source: StepSource, { add }: StepClock): void {
  const { pulled } = source.sequence.stages[stage.number - 1]!;
  const off = comingOff(
    stage,
    source.items.flatMap(({ closings }) => closings),
  );
  if (!pulled || off.length === 0) return;
  add(
    'unplug',
    null,
    pulled.unplugMin / stage.hands,
    { code: 'step.unplug', values: plugValues(plugsIn(off), source.parts) },
    { items: off.map(({ id }) => id), after: pullRules(stage, source), needs: people(stage.hands) },
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
