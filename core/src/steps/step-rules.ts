import type { DryingAir } from '../air';
import type { AfterCode, StagePlan } from '../contract';
import { dryingBuildUm, filmOf } from '../drying';
import type { Finish, PullTiming } from '../finish';
import type { StepId } from '../kit';
import { filmAgeMarks } from '../over';
import type { AfterRule } from '../runsheet';
import { stepId } from './step-clock';
import type { StepSource } from './steps';

// Time rules of the steps of a stage. Every time is the one computed for the stage.

export const BLEND = 'blend';
/** A coat of a stage, by its number, what it is faded out with, or some sections of it by their name. */
export const coatId = ({ session }: StagePlan, coat: number | string): StepId => stepId(session, 'coat', `${coat}`);
/** What the windows of a stage count from: the end of its last coat, and of fading it out. */
export const lastCoatOf = (stage: StagePlan, { sequence }: Pick<StepSource, 'sequence'>): StepId =>
  coatId(stage, sequence.stages[stage.number - 1]!.blendMin > 0 ? BLEND : stage.coats);
/** Name of a lot, from 0: the first has none, since it may be the only one. */
export const lotName = (lot: number): string | null => (lot === 0 ? null : `${lot + 1}`);

/** Minutes after the end of a step; `againMin`: start of a second window. */
interface Between {
  readonly fromMin: number;
  readonly toMin: number | null;
  readonly againMin?: number | null;
}

/** A time after a step has ended, in which a film dries. */
export const filmRule = (
  step: StepId,
  { fromMin, toMin, againMin = null }: Between,
  code: AfterCode,
  film: Finish | undefined,
  { air: leftIn, sprayAir, away }: StepSource,
  where: 'left' | 'sprayed' = 'left',
): AfterRule => ({
  step,
  from: 'end',
  minMin: fromMin,
  maxMin: toMin,
  ...(toMin === null || againMin === null ? {} : { againMin }),
  code,
  ...(film
    ? {
        film: {
          ...filmOf(film),
          ...airOnly(where === 'left' ? leftIn : sprayAir),
          ...(away && where === 'left' ? { away: true } : {}),
        },
      }
    : {}),
});

/** Where a film dries until it is pulled: wet in the booth, later wherever it is left. */
export const dryingLocationOf = (school: PullTiming | null): 'left' | 'sprayed' =>
  school === 'wet' ? 'sprayed' : 'left';

const airOnly = ({ airC, rhPercent, movement }: DryingAir): DryingAir => ({ airC, rhPercent, movement });

/** Before tape is applied to a colour of this job: one rule for each stage whose colour is covered now. */
export function tapeSafeRules(stage: StagePlan, source: StepSource): AfterRule[] {
  const { stages, sequence } = source;
  const here = sequence.stages[stage.number - 1]!;
  return stages.slice(0, stage.number - 1).flatMap((earlier, index) => {
    const film = sequence.stages[index]!;
    const since = sequence.stages.slice(index + 1, stage.number - 1);
    const covered = here.mask.covers.find(
      ({ area, laid }) => laid === 'now' && film.open[area] && !since.some(({ open }) => open[area]),
    );
    if (!covered) return [];
    const fromMin = film.after.tapeSafeAt[covered.area]! - film.lastCoatMin;
    return [
      filmRule(
        lastCoatOf(earlier, source),
        { fromMin, toMin: null },
        'tape-safe',
        source.finishes.get(earlier.finish),
        source,
      ),
    ];
  });
}

/** When a first coat may go over the films of earlier stages. */
export function recoatRules(stage: StagePlan, source: StepSource): AfterRule[] {
  const { stages, sequence } = source;
  return sequence.stages[stage.number - 1]!.over.windows.flatMap(({ at, fromMin, toMin }) => {
    const earlier =
      stages[sequence.stages.findIndex(({ lastCoatMin }, index) => index < stage.number - 1 && lastCoatMin === at)];
    const film = earlier && source.finishes.get(earlier.finish);
    const againMin = film
      ? (filmAgeMarks(film, source.air, dryingBuildUm(film, earlier.coats)).recoat[1]?.fromMin ?? null)
      : null;
    return earlier && (fromMin > 0 || toMin !== null)
      ? [filmRule(lastCoatOf(earlier, source), { fromMin, toMin, againMin }, 'over', film, source)]
      : [];
  });
}

/**
 * A coat has to be on within the pot life of its mix: it starts earlier by its own minutes.
 * @returns none if the pot life is unlimited, or shorter than a coat, which is then mixed several times
 */
export function potRules(stage: StagePlan, coat: number, minutes: number, { sequence }: StepSource): AfterRule[] {
  const { lots } = sequence.stages[stage.number - 1]!;
  if (lots.lifeMin === null || lots.perCoat > 1) return [];
  const lot = lots.from.findLastIndex((first) => first <= coat);
  return [
    {
      step: stepId(stage.session, 'mix', lotName(lot)),
      from: 'end',
      minMin: 0,
      maxMin: lots.lifeMin - minutes,
      code: 'pot',
    },
  ];
}
