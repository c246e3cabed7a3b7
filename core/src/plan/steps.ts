import { PAINT_SYSTEMS, type Finish } from '../finish';
import type { Step, StepWindow } from '../log';
import type { Sequence } from '../order';
import type { Run } from '../runs';
import { showMetres, showMinutes } from '../units';
import { dryingRate, type DryingAir } from '../drying';
import type { PartPlan, StagePlan } from './types';

/** What the run sheet is written from. */
export interface StepGround {
  readonly stages: readonly StagePlan[];
  readonly sequence: Sequence;
  readonly parts: readonly PartPlan[];
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly air: DryingAir;
}

/** Writes the run sheet: lay, cover, check, coats, pull, stage by stage. */
export function stepsOf(ground: StepGround): Step[] {
  return ground.stages.flatMap((stage) => stageSteps(stage, ground));
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
  const cover: Step[] =
    covered.length === 0
      ? []
      : [
          {
            id: id('cover'),
            stage: stage.number,
            kind: 'cover',
            run: null,
            windows: [],
            title: `Cover ${covered.join(', ')}`,
            detail: 'Paper or film to the tape, a second tape over the seam. Keep it off the open edge.',
          },
        ];
  const gate: Step = {
    id: id('gate'),
    stage: stage.number,
    kind: 'gate',
    run: null,
    windows: [],
    title: 'Check before colour',
    detail:
      stage.runs.length > 0
        ? 'Wipe lightly without wetting the tape edges, tack off, press every edge and crossing again.'
        : 'Wipe, tack off, look for dust and finger marks.',
  };
  const coats = Array.from({ length: stage.coats }, (_, index): Step => ({
    id: id(`coat-${index + 1}`),
    stage: stage.number,
    kind: 'coat',
    run: null,
    title: `${finish.name}: coat ${index + 1} of ${stage.coats}`,
    detail:
      index === 0 ? 'Thin and even, from the tape towards the bare side, never into a tape edge.' : 'Check flash by touching the masking paper, not the part.',
    windows: index === 0 ? [] : [flashWindow(finish, id(`coat-${index}`), ground.air)],
  }));
  return [...lays, ...cover, gate, ...coats, ...pullStep(stage, finish, id)];
}

function layDetail(run: Run, parts: readonly PartPlan[]): string {
  const where = parts.length > 1 ? `${nameOf(parts, run.part)}: ` : '';
  const times = run.count > 1 ? ` on each of ${run.count}` : '';
  return `${where}${showMetres(run.tapeMm)} off the roll${times}. ${run.how}`;
}

const nameOf = (parts: readonly PartPlan[], id: string): string => parts.find((part) => part.id === id)?.name ?? id;

/** Before tape goes on colour: one wait for each earlier stage whose colour is covered now. */
function tapeSafeWindows(stage: StagePlan, { stages, sequence }: StepGround): StepWindow[] {
  const here = sequence.stages[stage.number - 1];
  return stages.slice(0, stage.number - 1).flatMap((earlier, index) => {
    const cost = sequence.stages[index];
    const later = sequence.stages.slice(index + 1, stage.number - 1);
    const covered = here.open.some((open, area) => !open && cost.open[area] && !later.some((between) => between.open[area]));
    if (!covered) return [];
    const safeAt = cost.after.tapeSafeAt.find((_, area) => cost.open[area]) ?? 0;
    return [{ after: `s${earlier.number}-coat-${earlier.coats}`, fromMin: safeAt - earlier.lastCoatMin, toMin: null, what: 'the colour takes tape' }];
  });
}

function flashWindow(finish: Finish, after: string, air: DryingAir): StepWindow {
  const rate = dryingRate(finish.activationKj, PAINT_SYSTEMS[finish.system].waterborne, air);
  const [first] = finish.recoat;
  return { after, fromMin: Math.max(finish.flashMin, first.fromMin) / rate, toMin: first.toMin === null ? null : first.toMin / rate, what: 'next coat' };
}

function pullStep(stage: StagePlan, finish: Finish, id: (suffix: string) => string): Step[] {
  if (!stage.pull || stage.runs.length === 0) return [];
  const { fromMin, toMin } = stage.pull;
  const until = toMin === null ? '' : `, within ${showMinutes(toMin)}`;
  return [
    {
      id: id('pull'),
      stage: stage.number,
      kind: 'pull',
      run: null,
      title: `Pull the tape: ${stage.school === 'touch' ? 'touch-dry' : stage.school}`,
      detail: `${fromMin > 0 ? `From ${showMinutes(fromMin)}` : 'At once'} after the last coat of ${finish.name}${until} (estimate). Low and slow, folded back on itself, away from the fresh paint.`,
      windows: [{ after: id(`coat-${stage.coats}`), fromMin, toMin, what: 'pull the tape' }],
    },
  ];
}
