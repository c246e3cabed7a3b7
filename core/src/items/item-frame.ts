import type { Item } from '../contract';
import type { Substrate } from '../job';
import type { ItemId, SessionId } from '../kit';
import { filmBond, type MaskEdge } from '../masking';
import type { StageSource } from '../problem';
import { type EarlyPull, edgeKey, type Sequence, type StageCost, type StandingMask, startProgress } from '../stage';

/** Sessions of a sequence: finish, with `#2` when it comes a second time. */
export function sessionsOf({ stages }: Pick<Sequence, 'stages'>): SessionId[] {
  return stages.map(({ finish }, index) => {
    const times = stages.slice(0, index + 1).filter((stage) => stage.finish === finish).length;
    return (times === 1 ? finish : `${finish}#${times}`) as SessionId;
  });
}

/** Names of items: what is laid for a stage, one after the other; a name that comes twice ends in `/2`. */
export type ItemNamer = (...what: readonly string[]) => ItemId;

export function itemNamer(session: SessionId): ItemNamer {
  const taken = new Map<string, number>();
  return (...what) => {
    const name = [session, ...what].join('/');
    const times = (taken.get(name) ?? 0) + 1;
    taken.set(name, times);
    return (times === 1 ? name : `${name}/${times}`) as ItemId;
  };
}

/** What all items of a stage have in common. */
export type CommonFields = Pick<Item, 'stage' | 'hold'>;
/** The same with when it comes off, by the area it lies on; null: it lies on a whole part. */
export type CommonFieldsOn = (area: number | null) => CommonFields & Pick<Item, 'until'>;

/** The mask of a stage that lies on an area; null where none does. */
const maskOn = ({ pulling, outer }: StageCost, area: number): StandingMask | null =>
  [...outer, ...(pulling ? [pulling] : [])].find(
    ({ mask }) => mask.covers.some((cover) => cover.area === area) || mask.edges.some(({ closed }) => closed === area),
  ) ?? null;

/**
 * The stage after which a mask of a stage comes off, by index.
 * @param area what it covers; null: what comes off with the stage's own masks
 */
export function removalStage({ stages }: Pick<Sequence, 'stages'>, index: number, area: number | null): number {
  const mask = area === null ? stages[index]!.pulling : maskOn(stages[index]!, area);
  const off = mask ? stages.findIndex(({ pulled }) => pulled?.masks.includes(mask)) : index;
  return off < 0 ? stages.length - 1 : off;
}

/** The pull an edge of a stage comes off in before the rest of its mask; null: it comes off with the rest. */
export function earlyPull(
  sequence: Pick<Sequence, 'stages'>,
  index: number,
  edge: Pick<MaskEdge, 'border' | 'closed'>,
): EarlyPull | null {
  const { pulled } = sequence.stages[removalStage(sequence, index, edge.closed)]!;
  if (!pulled || pulled.early.length === 0) return null;
  const maskEdge = edgeOn(sequence, index, edge);
  return pulled.early.find(({ edges }) => maskEdge && edges.has(maskEdge)) ?? null;
}

/** In which pull an edge of a stage comes off where it is pulled in sections, from 1; null: not in sections. */
function sectionOfRemoval(
  sequence: Pick<Sequence, 'stages'>,
  index: number,
  edge: Pick<MaskEdge, 'border' | 'closed'>,
): number | null {
  const { sections } = sequence.stages[removalStage(sequence, index, edge.closed)]!;
  return sections?.turnOf.get(edgeKey(edge)) ?? null;
}

/** How the tapes of an edge of a stage come off: whether in the window of their lines, and which lies over the other. */
export function edgeOff(
  sequence: Pick<Sequence, 'stages'>,
  index: number,
  edge: Pick<MaskEdge, 'border' | 'closed'>,
): { readonly uncover: boolean; readonly backingOver: boolean } {
  const { pulled } = sequence.stages[removalStage(sequence, index, edge.closed)]!;
  const maskEdge = edgeOn(sequence, index, edge);
  if (!pulled || !maskEdge) return { uncover: false, backingOver: false };
  const { lines, backings } = pulled.first;
  return { uncover: !maskEdge.strip && !lines.has(maskEdge), backingOver: backings.has(maskEdge) };
}

const edgeOn = (
  sequence: Pick<Sequence, 'stages'>,
  index: number,
  edge: Pick<MaskEdge, 'border' | 'closed'>,
): MaskEdge | undefined =>
  maskOn(sequence.stages[index]!, edge.closed)?.mask.edges.find(
    ({ border, closed }) => border === edge.border && closed === edge.closed,
  );

/** When what lies along an edge comes off: with what covers, or in the window of its lines, or earlier, or in its section. */
export function removalOf(
  sequence: Pick<Sequence, 'stages'>,
  index: number,
  edge: Pick<MaskEdge, 'border' | 'closed'>,
  until: Item['until'],
  uncover: boolean,
): Item['until'] {
  if (uncover) return { ...until, uncover: true };
  const early = earlyPull(sequence, index, edge)?.school;
  const turn = sectionOfRemoval(sequence, index, edge);
  return { ...until, ...(early === undefined ? {} : { early }), ...(turn === null ? {} : { turn }) };
}

/** When the cover of an area comes off: after the pull, or where it lies on line tapes with the first of them. */
export function coverRemoval({ stages }: Pick<Sequence, 'stages'>, area: number, until: Item['until']): Item['until'] {
  const { pulled, sections } = stages[until.stage - 1]!;
  if (!pulled?.first.covers.has(area)) return { ...until, uncover: true };
  const early = pulled.early[0]?.school;
  const turn = sections?.coverTurnOf.get(area);
  return { ...until, ...(early === undefined ? {} : { early }), ...(turn === undefined ? {} : { turn }) };
}

/**
 * How long tape of a stage on an area stays, from when it is laid until it is off, minutes.
 * @param early the pull it comes off in before the rest
 */
export function tapeDwell(sequence: Sequence, index: number, area: number, early: EarlyPull | null = null): number {
  const mask = maskOn(sequence.stages[index]!, area);
  if (!mask) return 0;
  return (
    (early
      ? early.at + early.pullMin / early.hands
      : sequence.stages[removalStage(sequence, index, area)]!.after.clock) - mask.laidAt
  );
}

/** How strongly what is under a tape of a stage holds when the tape comes off. */
export function bondBelow(
  sequence: Sequence,
  index: number,
  area: number,
  { problem, works, design, starts }: StageSource,
  early: EarlyPull | null = null,
): number {
  const before = index === 0 ? startProgress(problem) : sequence.stages[index - 1]!.after;
  const laidAt = maskOn(sequence.stages[index]!, area)?.laidAt ?? before.clock;
  const off = laidAt + tapeDwell(sequence, index, area, early);
  const { presentSystem, presentAgeMin } = problem.areas[area]!;
  const film = before.films[area];
  if (!film)
    return filmBond(
      { system: presentSystem, finish: null, ageMin: presentAgeMin + off, onBarePlastic: false },
      problem.air,
    );
  const { part } = works[starts.areas.findLastIndex((start) => start <= area)]!;
  const onBarePlastic = presentSystem === null && PLASTICS.has(part.substrate) && design.scheme.primer === undefined;
  return filmBond(
    { system: film.finish.system, finish: film.finish, ageMin: off - film.at, onBarePlastic },
    problem.air,
  );
}

/** What airbrush paint holds to only poorly without a primer. */
const PLASTICS: ReadonlySet<Substrate> = new Set(['styrene', 'resin', 'print']);
