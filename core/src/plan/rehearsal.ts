import { ladderOf } from '../finish';
import type { Shelf } from '../job';
import type { Plan, StagePlan } from './types';

/** What one would see at a moment of the job. */
export interface Moment {
  /** Minutes from the start of the job. */
  readonly atMin: number;
  readonly stage: number;
  readonly what: string;
  readonly pictures: readonly { readonly part: string; readonly areas: readonly MomentArea[] }[];
  /** Stages whose masks are on. */
  readonly masks: readonly number[];
}

export interface MomentArea {
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
  let seen: Seen = new Map(plan.parts.map(({ id, present, areas }) => [id, new Map(areas.map(({ code }) => [code, present]))]));
  let masks: number[] = [];
  return plan.stages.flatMap((stage) => {
    masks = stage.runs.length > 0 || stage.covers.length > 0 ? [...masks, stage.number] : masks;
    const moments = stageMoments(plan, shelf, stage, seen, masks);
    seen = coloursAfter(stage, seen);
    if (!stage.keep) masks = [];
    return moments;
  });
}

type Seen = ReadonlyMap<string, ReadonlyMap<string, string>>;

const coloursAfter = ({ pictures }: StagePlan, seen: Seen): Seen =>
  new Map([...seen, ...pictures.map(({ part, areas }) => [part, new Map(areas.map(({ code, colour }) => [code, colour]))] as const)]);

function stageMoments(plan: Plan, shelf: Shelf, stage: StagePlan, seen: Seen, masks: readonly number[]): Moment[] {
  const finish = shelf.finishes.find(({ id }) => id === stage.finish);
  if (!finish) return [];
  const painting = plan.timeline.find((entry) => entry.stage === stage.number && entry.what.startsWith('mix'));
  const [from, to] = [painting?.fromMin ?? 0, painting?.toMin ?? 0];
  const ladders = new Map<string, string[]>();
  const colourOf = (ground: string, coats: number): string => {
    if (coats === 0) return ground;
    const known = ladders.get(ground) ?? ladderOf(finish, ground, stage.coats).map(({ colour }) => colour);
    ladders.set(ground, known);
    return known[coats - 1];
  };
  const pictures = (coats: number | 'all', on: boolean): Moment['pictures'] =>
    stage.pictures.map(({ part, areas }) => {
      const sprayed = areas.some(({ open }) => open);
      return {
        part,
        areas: areas.map(({ code, open, colour }) => {
          const ground = seen.get(part)?.get(code) ?? colour;
          const shown = !open ? ground : coats === 'all' ? colour : colourOf(ground, coats);
          return { code, colour: shown, covered: on && !open && sprayed && masks.length > 0 };
        }),
      };
    });
  const moment = (atMin: number, what: string, coats: number | 'all', on: boolean): Moment => ({
    atMin,
    stage: stage.number,
    what,
    pictures: pictures(coats, on),
    masks: on ? masks : [],
  });
  const step = stage.coats > 0 ? (to - from) / stage.coats : 0;
  return [
    moment(from, masks.length > 0 ? 'Masks are on' : 'Ready for colour', 0, true),
    ...Array.from({ length: stage.coats }, (_, index) =>
      moment(from + step * (index + 1), `${finish.name}: coat ${index + 1} of ${stage.coats}`, index + 1 === stage.coats ? 'all' : index + 1, true),
    ),
    ...(masks.length > 0 && !stage.keep ? [moment(to + (stage.pull?.fromMin ?? 0), 'The tape is off', 'all', false)] : []),
  ];
}
