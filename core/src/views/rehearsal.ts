import type { Plan, StagePlan } from '../contract';
import { coatSteps } from '../finish';
import { masksOn } from '../items';
import type { Shelf } from '../job';
import { type FinishId, type MessageOf, messageWithoutValues, type NoValues, type PartId } from '../kit';

/** A moment of a job. */
export interface MomentMessages {
  readonly 'moment.ready': { readonly masked: boolean };
  readonly 'moment.coat': { readonly finish: FinishId; readonly coat: number; readonly coats: number };
  readonly 'moment.pulled': NoValues;
}
type MomentMessage = MessageOf<MomentMessages>;

/** What one would see at a moment of the job. */
export interface Moment {
  /** Minutes from the start of the job. */
  readonly atMin: number;
  readonly stage: number;
  readonly what: MomentMessage;
  readonly pictures: readonly { readonly part: PartId; readonly areas: readonly MomentArea[] }[];
  /** Stages whose masks are on. */
  readonly masks: readonly number[];
}

interface MomentArea {
  readonly code: string;
  readonly colour: string;
  readonly covered: boolean;
}

/**
 * Goes through a job coat by coat, as it would look: masks on, every coat, masks off.
 * A coat that does not hide yet lets what is below show, by the layer formula.
 * @returns moments in order; empty where nothing is planned
 */
export function rehearsal(plan: Plan, shelf: Shelf): Moment[] {
  let seen: Seen = new Map(
    plan.parts.map(({ id, areas }) => [id, new Map(areas.map(({ code, shows }) => [code, shows]))]),
  );
  return plan.stages.flatMap((stage) => {
    const moments = stageMoments(plan, shelf, stage, seen);
    seen = coloursAfter(stage, seen);
    return moments;
  });
}

type Seen = ReadonlyMap<string, ReadonlyMap<string, string>>;

const coloursAfter = ({ pictures }: StagePlan, seen: Seen): Seen =>
  new Map([
    ...seen,
    ...pictures.map(({ part, areas }) => [part, new Map(areas.map(({ code, colour }) => [code, colour]))] as const),
  ]);

function stageMoments(plan: Plan, shelf: Shelf, stage: StagePlan, seen: Seen): Moment[] {
  const finish = shelf.finishes.find(({ id }) => id === stage.finish);
  if (!finish) return [];
  const steps = plan.steps.filter((step) => step.stage === stage.number);
  // A coat in sections is on with the last of them.
  const coats = steps.filter(
    ({ say }, index) =>
      say.code === 'step.coat' &&
      !steps
        .slice(index + 1)
        .some((later) => later.say.code === 'step.coat' && later.say.values.coat === say.values.coat),
  );
  const pull = steps.findLast(({ kind }) => kind === 'pull');
  const masks = masksOn(plan, stage);
  const ladders = new Map<string, string[]>();
  const colourOf = (ground: string, count: number): string => {
    if (count === 0) return ground;
    const known = ladders.get(ground) ?? coatSteps(finish, ground, stage.coats).map(({ colour }) => colour);
    ladders.set(ground, known);
    return known[count - 1]!;
  };
  const pictures = (count: number | 'all', on: boolean): Moment['pictures'] =>
    stage.pictures.map(({ part, areas }) => ({
      part,
      areas: areas.map(({ code, open, covered, colour }) => {
        const ground = seen.get(part)?.get(code) ?? colour;
        const shown = !open ? ground : count === 'all' ? colour : colourOf(ground, count);
        return { code, colour: shown, covered: on && covered };
      }),
    }));
  const moment = (atMin: number, what: MomentMessage, count: number | 'all', on: boolean): Moment => ({
    atMin,
    stage: stage.number,
    what,
    pictures: pictures(count, on),
    masks: on ? masks : [],
  });
  const coat = (index: number): MomentMessage => ({
    code: 'moment.coat',
    values: { finish: finish.name, coat: index + 1, coats: stage.coats },
  });
  return [
    moment(
      coats[0]?.startMin ?? stage.startMin,
      { code: 'moment.ready', values: { masked: masks.length > 0 } },
      0,
      true,
    ),
    ...coats.map(({ endMin }, index) =>
      moment(endMin, coat(index), index + 1 === stage.coats ? 'all' : index + 1, true),
    ),
    ...(pull ? [moment(pull.endMin, messageWithoutValues('moment.pulled'), 'all', false)] : []),
  ];
}
