import type { Finish } from '../finish';
import type { Step, StepWindow } from '../log';
import type { Sequence } from '../order';
import type { Run } from '../runs';
import { showMetres, showMinutes } from '../units';
import type { PartPlan, StagePlan } from './types';

/** What the run sheet is written from. */
export interface StepGround {
  readonly stages: readonly StagePlan[];
  readonly sequence: Sequence;
  readonly parts: readonly PartPlan[];
  readonly finishes: ReadonlyMap<string, Finish>;
}

/** Writes the run sheet: lay, cover, check, coats, pull, stage by stage. */
export function stepsOf(ground: StepGround): Step[] {
  return [...ground.stages.flatMap((stage) => stageSteps(stage, ground)), ...unplugStep(ground)];
}

/** Every plug that went in is counted out at the end. */
function unplugStep({ stages, parts }: StepGround): Step[] {
  const plugs = stages.flatMap((stage) => stage.plugs);
  if (plugs.length === 0) return [];
  const detail = `${plugWords(plugs, parts)}. Count them: as many come out as went in.`;
  return [simple(stages[stages.length - 1], 'unplug', 'unplug', `Take out ${plugCount(plugs)}`, detail)];
}

type Plugs = StagePlan['plugs'];

const plugCount = (plugs: Plugs): string => {
  const count = plugs.reduce((sum, plug) => sum + plug.count, 0);
  return count === 1 ? '1 plug' : `${count} plugs`;
};
const plugWords = (plugs: Plugs, parts: readonly PartPlan[]): string => plugs.map(({ part, count }) => `${nameOf(parts, part)}: ${count}`).join(', ');

const simple = (stage: StagePlan, id: string, kind: Step['kind'], title: string, detail: string): Step => ({
  id,
  stage: stage.number,
  kind,
  title,
  detail,
  run: null,
  windows: [],
});

const PREPARE = {
  abrade: { title: 'Abrade and clean', detail: 'Scuff to an even matt, wipe, tack off; keep off the tape edges.' },
  barrier: { title: 'Barrier coat', detail: 'A thin, even coat that parts the two; let it flash before the colour.' },
} as const;

/** What the films below ask for before the colour. */
function prepareSteps(stage: StagePlan, { parts }: StepGround, id: (suffix: string) => string): Step[] {
  return stage.tasks.flatMap(({ answer, reason, places }, index) => {
    if (answer !== 'abrade' && answer !== 'barrier') return [];
    const where = places.map(({ part, area }) => (parts.length > 1 ? `${nameOf(parts, part)} ${area}` : area)).join(', ');
    return [simple(stage, id(`prepare-${index + 1}`), 'prepare', `${PREPARE[answer].title}: ${where}`, `${reason} ${PREPARE[answer].detail}`)];
  });
}

function stageSteps(stage: StagePlan, ground: StepGround): Step[] {
  const finish = ground.finishes.get(stage.finish) as Finish;
  const id = (suffix: string) => `s${stage.number}-${suffix}`;
  const lays = stage.runs.map((run, index): Step => ({
    id: id(run.code.toLowerCase()),
    stage: stage.number,
    kind: 'lay',
    title: `${run.tape ?? 'Mask by hand'} ${run.coversStrip ? 'along' : run.sideWords} ${run.lineCode}`,
    detail: layDetail(run, ground.parts),
    run: run.code,
    windows: index === 0 ? tapeSafeWindows(stage, ground) : [],
  }));
  const covered = stage.covers.map(({ part, area }) => (ground.parts.length > 1 ? `${nameOf(ground.parts, part)} ${area}` : area));
  const cover =
    covered.length === 0
      ? []
      : [
          simple(
            stage,
            id('cover'),
            'cover',
            `Cover ${covered.join(', ')}`,
            'Paper or film to the tape, a second tape over the seam. Keep it off the open edge.',
          ),
        ];
  const plugs =
    stage.plugs.length === 0
      ? []
      : [
          simple(
            stage,
            id('plugs'),
            'plug',
            `Close ${plugCount(stage.plugs).replace('plug', 'opening')}`,
            `${plugWords(stage.plugs, ground.parts)}. Count the plugs in.`,
          ),
        ];
  const gate = simple(
    stage,
    id('gate'),
    'gate',
    'Check before colour',
    stage.runs.length > 0
      ? 'Wipe lightly without wetting the tape edges, tack off, press every edge and crossing again.'
      : 'Wipe, tack off, look for dust and finger marks.',
  );
  const coats = Array.from({ length: stage.coats }, (_, index): Step => ({
    id: id(`coat-${index + 1}`),
    stage: stage.number,
    kind: 'coat',
    run: null,
    title: `${finish.name}: coat ${index + 1} of ${stage.coats}`,
    detail:
      index === 0 ? 'Thin and even, from the tape towards the bare side, never into a tape edge.' : 'Check flash by touching the masking paper, not the part.',
    windows: index === 0 ? overWindows(stage, ground) : [{ after: id(`coat-${index}`), ...stage.gap, what: 'next coat' }],
  }));
  return [...plugs, ...lays, ...cover, ...prepareSteps(stage, ground, id), gate, ...coats, ...pullStep(stage, finish, ground, id)];
}

function layDetail(run: Run, parts: readonly PartPlan[]): string {
  const where = parts.length > 1 ? `${nameOf(parts, run.part)}: ` : '';
  const times = run.count > 1 ? ` on each of ${run.count}` : '';
  return `${where}${showMetres(run.tapeMm)} off the roll${times}. ${run.how}`;
}

const nameOf = (parts: readonly PartPlan[], id: string): string => parts.find((part) => part.id === id)?.name ?? id;

/** Before tape goes on colour: one wait for each earlier stage whose colour is covered now, on parts that are sprayed now. */
function tapeSafeWindows(stage: StagePlan, { stages, sequence, parts }: StepGround): StepWindow[] {
  const here = sequence.stages[stage.number - 1];
  const partOf = parts.flatMap(({ areas }, part) => areas.map(() => part));
  const sprayed = new Set(partOf.filter((_, area) => here.open[area]));
  return stages.slice(0, stage.number - 1).flatMap((earlier, index) => {
    const cost = sequence.stages[index];
    const later = sequence.stages.slice(index + 1, stage.number - 1);
    const covered = here.open.some((open, area) => !open && sprayed.has(partOf[area]) && cost.open[area] && !later.some((between) => between.open[area]));
    if (!covered) return [];
    const safeAt = cost.after.tapeSafeAt.find((_, area) => cost.open[area]) ?? 0;
    return [{ after: `s${earlier.number}-coat-${earlier.coats}`, fromMin: safeAt - earlier.lastCoatMin, toMin: null, what: 'the colour takes tape' }];
  });
}

/** Where the coat below must reach an age before this one goes on. */
function overWindows(stage: StagePlan, { sequence, stages }: StepGround): StepWindow[] {
  const cost = sequence.stages[stage.number - 1];
  if (cost.waits.overMin <= 0) return [];
  const earlier = stages[stage.number - 2];
  if (!earlier) return [];
  // It may be sprayed as soon as the plan sprays it; what the wait is for is told with the stage.
  return [
    {
      after: `s${earlier.number}-coat-${earlier.coats}`,
      fromMin: cost.lastCoatMin - cost.coatMin - cost.waits.flashMin - earlier.lastCoatMin,
      toMin: null,
      what: 'the coat below takes the next',
    },
  ];
}

function pullStep(stage: StagePlan, finish: Finish, { stages }: StepGround, id: (suffix: string) => string): Step[] {
  if (stage.keep || !stage.pull || (stage.runs.length === 0 && stage.pulls.length === 0)) return [];
  const { fromMin, toMin } = stage.pull;
  const until = toMin === null ? '' : `, within ${showMinutes(toMin)}`;
  const older = stage.pulls.map((number) => stages[number - 1]).filter(({ runs }) => runs.length > 0);
  const also = older.length === 0 ? '' : ` The masks of stage ${older.map(({ number }) => number).join(' and ')} come off with it, the last laid first.`;
  return [
    {
      id: id('pull'),
      stage: stage.number,
      kind: 'pull',
      run: null,
      title: `Pull the tape: ${stage.school === 'touch' ? 'touch-dry' : stage.school}`,
      detail: `${fromMin > 0 ? `From ${showMinutes(fromMin)}` : 'At once'} after the last coat of ${finish.name}${until} (estimate). Low and slow, folded back on itself, away from the fresh paint.${also}`,
      windows: [
        { after: id(`coat-${stage.coats}`), fromMin, toMin, what: 'pull the tape' },
        ...older.flatMap(({ number, coats, pull }) => (pull ? [{ after: `s${number}-coat-${coats}`, ...pull, what: `pull the tape of stage ${number}` }] : [])),
      ],
    },
  ];
}
