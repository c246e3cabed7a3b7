import type { StagePlan, StepMessages } from '../contract';
import { secondRecoatMin } from '../drying';
import { type Finish, mixFor } from '../finish';
import type { PartId } from '../kit';
import type { AfterRule, Need } from '../runsheet';
import { mixAgainMinutes, mixMinutes, usesGun } from '../stage';
import { flashMessage } from './flash-message';
import { sectionSteps } from './section-steps';
import { onePersonMessage } from './sections';
import type { StepClock } from './step-clock';
import { isMasked, placesOf } from './step-places';
import { BLEND, coatId, filmRule, lotName, potRules, recoatRules } from './step-rules';
import type { StepSource } from './steps';

export type CoatValues = StepMessages['step.coat'];

/** Of a coat in sections: the part they are all of, and what it waits for besides. */
export interface CoatSectionInfo {
  readonly part?: PartId;
  readonly rest?: readonly AfterRule[];
}

/** Coats with what flashes between them; the last of them in sections where one person pulls in between. */
export function coatSteps(stage: StagePlan, finish: Finish, source: StepSource, clock: StepClock): void {
  const { add, pass } = clock;
  const { coats, gap } = stage;
  const { coatMin, blendMin, lots, sections } = source.sequence.stages[stage.number - 1]!;
  const eachMin = (coatMin - blendMin) / coats;
  const needs: Need[] = [
    'person',
    ...(finish.method === 'gun' ? ['booth' as const] : []),
    ...(usesGun(finish) ? ['gun' as const] : []),
  ];
  const through = usesGun(finish) ? { gun: source.gunOf(finish) } : {};
  const blends = blendPlaces(finish, source);
  const coatStep = (
    name: string,
    coat: number,
    minutes: number,
    said: Pick<CoatValues, 'alone' | 'sections'>,
    { part, rest = [] }: CoatSectionInfo = {},
  ) => {
    const after = [
      ...(coat === 1
        ? recoatRules(stage, source)
        : [
            filmRule(
              coatId(stage, coat - 1),
              { fromMin: gap.fromMin, toMin: gap.toMin, againMin: secondRecoatMin(finish, source.sprayAir) },
              'recoat',
              finish,
              source,
              'sprayed',
            ),
          ]),
      ...potRules(stage, coat, minutes, source),
      ...rest,
    ];
    const values = {
      finish: finish.name,
      coat,
      coats,
      method: finish.method,
      masked: isMasked(stage, source),
      peelable: finish.system === 'peelable',
      blends,
      ...said,
    };
    add(
      'coat',
      name,
      minutes,
      { code: 'step.coat', values },
      { needs, after, ...through, ...(part === undefined ? {} : { part }) },
    );
  };
  for (let coat = 1; coat <= coats; coat++) {
    const lot = lots.from.indexOf(coat);
    // The paint for it is mixed while the coat before flashes.
    const again = lot > 0 ? mixAgainMinutes(finish) : 0;
    if (coat > 1) pass('flash', String(coat - 1), gap.fromMin - again, flashMessage(finish, stage, false));
    if (lot > 0) mixStep(stage, finish, source, clock, lot);
    if (coat === coats && sections) sectionSteps(stage, finish, sections, coatStep, source, clock);
    else coatStep(String(coat), coat, eachMin, coat === coats && stage.hands > 1 ? onePersonMessage(stage) : {});
  }
  if (blendMin > 0)
    add(
      'coat',
      BLEND,
      blendMin,
      { code: 'step.blend', values: { finish: finish.name, places: blends, method: finish.method } },
      { needs, after: potRules(stage, coats, blendMin, source), ...through },
    );
}

/** One lot of paint: all of it, or what some of the coats take. */
export function mixStep(
  stage: StagePlan,
  finish: Finish,
  { sequence }: StepSource,
  { add }: StepClock,
  lot: number,
): void {
  const { lots } = sequence.stages[stage.number - 1]!;
  const all = lots.from.length === 1;
  const first = lots.from[lot]!;
  const last = (lots.from[lot + 1] ?? stage.coats + 1) - 1;
  const { ml, partsMl, cans } = all ? stage.paint : mixFor((stage.paint.ml * (last - first + 1)) / stage.coats, finish);
  const shared = {
    finish: finish.name,
    ml,
    partsMl,
    cans,
    batches: lots.perCoat,
    method: finish.method,
    lifeMin: lots.lifeMin,
  };
  add('mix', lotName(lot), lot > 0 ? mixAgainMinutes(finish) : mixMinutes(finish), {
    code: 'step.mix',
    values: all ? shared : { ...shared, coats: [first, last] },
  });
}

/** Areas of a finish in which it fades out. */
function blendPlaces({ id }: Finish, { parts }: StepSource): string[] {
  const areas = parts.flatMap((part) =>
    part.areas.flatMap((area) => (area.blend && area.finish === id ? [{ part: part.id, area: area.id }] : [])),
  );
  return placesOf(areas, parts);
}
