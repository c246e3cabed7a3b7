import { type PartId, sumOf, TOLERANCE } from '../kit';
import { type MaskEdge, splitMask, type StageMask } from '../masking';
import { maskCost, type StageMaskCost } from './mask-cost';
import { type MaskOff, maskOff } from './mask-off';
import { unplugMinOf } from './openings';
import type { OrderProblem } from './problem';
import { pullGroups, withPullGroup } from './pull-groups';
import { comesOffClean, peopleNeeded } from './pulling';
import { STAGE_RULES } from './rules-of-thumb';
import type {
  EarlyPull,
  EarlyPullGroup,
  FilmTimes,
  Progress,
  StageChoice,
  StageCost,
  StageSections,
  StandingMask,
} from './stage';

/** The masks of a stage. */
export interface StageMasks {
  /** What comes off in its own window; null where there is nothing. */
  readonly own: StandingMask | null;
  /** Openings that are opened again after its last coat, in the same window, whatever else stays on. */
  readonly opened: StandingMask | null;
  /** What stays on for later coats of what is beside it, one a part. */
  readonly outer: readonly StandingMask[];
  /**
   * Covers that only keep overspray off other parts: they have no edge to be pulled in time, and come off after
   * every stage.
   */
  readonly wholes: StandingMask | null;
}

/** The masks of a stage, by when they come off. */
export function stageMasks(
  problem: OrderProblem,
  masks: StageMaskCost,
  { through, openings }: { readonly through: ReadonlySet<string>; readonly openings: readonly PartId[] },
  times: FilmTimes,
  laidAt: number,
  lastCoatMin: number,
): StageMasks {
  const { mask } = masks;
  const split = splitMask(problem, mask, through);
  const standingOf = (stageMask: StageMask): StandingMask => {
    const { tapeM } = stageMask === mask ? masks : maskCost(problem, stageMask);
    const { pullMin, uncoverMin } = maskOff(problem, stageMask, () => times.school);
    const anyTime = { school: times.school, span: { from: 0, to: null }, early: [], latestMin: Infinity };
    const ofMask = { mask: stageMask, laidAt, at: lastCoatMin, pullMin, uncoverMin, tapeM };
    return { ...ofMask, part: null, openings: [], ...anyTime };
  };
  // Its removal depends on what goes over it later: this film allows any time.
  const outer = [...split.outer].map(([part, of]): StandingMask => ({ ...standingOf(of), part }));
  const wholes = mask.wholes.length === 0 ? null : standingOf({ ...mask, edges: [], covers: [] });
  const unplugMin = unplugOf(problem, openings);
  const groupsOf = (inner: StageMask, pullMin: number) => ({
    ...pullGroups(problem, times, inner, pullMin + unplugMin, lastCoatMin - laidAt),
    latestMin: times.latestMin,
  });
  const openedWith = ({ school, span }: Pick<StandingMask, 'school' | 'span'>): StandingMask | null =>
    openings.length === 0
      ? null
      : { ...standingOf(NOTHING_MASKED), openings, pullMin: unplugMin, school, span, latestMin: times.latestMin };
  if (split.inner.covers.length + split.inner.edges.length === 0)
    return { own: null, opened: openedWith(groupsOf(NOTHING_MASKED, 0)), outer, wholes };
  const innerMask = standingOf(split.inner);
  const own = { ...innerMask, ...groupsOf(split.inner, innerMask.pullMin) };
  return { own, opened: openedWith(own), outer, wholes };
}

const NOTHING_MASKED: StageMask = { edges: [], covers: [], wholes: [], drips: false };

/** What comes off after a stage, and what stays. */
export interface MaskRemoval {
  /** Waited from the last coat until the last of it is pulled, all turns together. */
  readonly waitMin: number;
  /** When all tape is off, minutes from the start. */
  readonly offMin: number;
  /** Number of pulls after which the gun is cleaned; if it does not fit in between: after all of them. */
  readonly cleanAfter: number;
  readonly afterMin: number;
  /** Waited then, before covers come off that stay until nothing is wet. */
  readonly coverWaitMin: number;
  /** When nothing is wet any more, if a cover waits for it; 0: none does. Minutes from the start. */
  readonly dryAt: number;
  readonly pullMin: number;
  readonly uncoverMin: number;
  readonly risk: number;
  readonly late: boolean;
  readonly kept: readonly StandingMask[];
  readonly pulled: StageCost['pulled'];
}

/** Where no mask comes off. */
const NOTHING_OFF = {
  cleanAfter: 0,
  afterMin: 0,
  coverWaitMin: 0,
  dryAt: 0,
  pullMin: 0,
  uncoverMin: 0,
  risk: 0,
  late: false,
  pulled: null,
} as const;

/**
 * When masks come off: after this stage, with all those that were kept on, or later.
 * @param through parts whose masks on kept areas stay on
 */
export function maskRemoval(
  problem: OrderProblem,
  before: Progress,
  { keep }: StageChoice,
  { own, opened, outer, wholes }: StageMasks,
  through: ReadonlySet<string>,
  times: FilmTimes,
  lastCoatMin: number,
): MaskRemoval {
  const all = [...before.kept, ...(own ? [own] : []), ...outer];
  const kept = keep ? all : all.filter(({ part }) => part !== null && through.has(part));
  const masks = [
    ...all.filter((mask) => !kept.includes(mask)),
    ...(opened ? [opened] : []),
    ...(wholes ? [wholes] : []),
  ];
  const waitMin = Math.max(times.flashMin, times.cleanMin);
  if (masks.length === 0) return { ...NOTHING_OFF, waitMin, offMin: lastCoatMin + waitMin, kept };
  const timing = own?.school ?? opened?.school ?? times.school;
  const turns = own && !keep ? pullTurns(problem, own, masks) : [];
  const earlyOf = new Map(
    turns.flatMap(({ school, off }) => off.flatMap(({ edges }) => edges.map((edge) => [edge, school] as const))),
  );
  const timingOf = (edge: MaskEdge) => earlyOf.get(edge) ?? timing;
  const offs = masks.map(({ mask }) => maskOff(problem, mask, timingOf));
  const sumOff = (figure: 'pullMin' | 'coverFirstMin' | 'uncoverMin') => sumOf(offs, (off) => off[figure]);
  const openings = opened?.openings ?? [];
  const unplugMin = unplugOf(problem, openings);
  const allMin = sumOff('pullMin') + unplugMin;
  // Where no tape is to be pulled the gun is cleaned first.
  const rest = opened || (own && !keep) ? 0 : masks.every((mask) => mask === wholes) ? waitMin : times.flashMin;
  const early = earlyPulls(problem, turns, lastCoatMin, sumOff('coverFirstMin'));
  const free = endOf(early.at(-1), lastCoatMin);
  const pullAt = Math.max(free, lastCoatMin + rest, ...masks.map((mask) => mask.at + mask.span.from));
  const pullMin = allMin - early.reduce((sum, earlyPull) => sum + earlyPull.pullMin, 0);
  // Tape that may come off before the gun is clean comes off first.
  const rests = [...early.map(({ restMin }) => restMin), pullAt - free];
  const fits = rests.findIndex((minutes) => minutes >= times.cleanMin);
  const past = masks.filter((mask) =>
    mask === own || mask === opened ? pastSpan(problem, mask, pullAt) : isPastWindow(problem, mask, pullAt),
  );
  const hands = Math.max(
    ...masks.map((mask) =>
      peopleNeeded(pullMin, { from: pullAt - mask.at, to: past.includes(mask) ? null : mask.span.to }),
    ),
  );
  const offMin = pullAt + pullMin / hands;
  const afterMin = fits < 0 ? times.cleanMin : 0;
  // A large cover would sweep over wet paint.
  const dryAt = offs.some(({ large }) => large) ? lastCoatMin + times.windows.touchMin : 0;
  return {
    waitMin: rests.reduce((sum, minutes) => sum + minutes, 0),
    offMin,
    cleanAfter: fits < 0 ? rests.length : fits,
    afterMin,
    coverWaitMin: coverWait(dryAt, offMin + afterMin),
    dryAt,
    pullMin: allMin,
    uncoverMin: sumOff('uncoverMin'),
    risk: STAGE_RULES.keptRisk * past.reduce((sum, { tapeM }) => sum + tapeM, 0),
    // A mask that comes off after its own stage stays as long as needed: that is reported, there is no choice.
    late: past.some(
      (mask) =>
        mask !== own &&
        mask !== opened &&
        (!problem.rules.late || pullAt > mask.at + mask.latestMin || !comesOffClean(problem, mask, pullAt)),
    ),
    kept,
    pulled: {
      masks,
      at: pullAt,
      hands,
      pullMin,
      restMin: pullAt - free,
      early,
      offMin,
      first: firstOfAll(offs),
      openings,
      unplugMin,
    },
  };
}

/** The same if the last coat goes on in sections and each is pulled in turn: the gun is cleaned once all are painted. */
export function removalInSections(
  off: MaskRemoval,
  { heaps, totalMin, paintedMin }: StageSections,
  lastCoatMin: number,
  cleanMin: number,
): MaskRemoval {
  const begun = lastCoatMin - paintedMin;
  const painted = heaps.findLastIndex(({ turn }) => turn === 'paint');
  const pulls = (list: typeof heaps) => list.filter(({ turn }) => turn === 'pull');
  const fits = heaps[painted + 1]!.startMin - heaps[painted]!.endMin >= cleanMin;
  const offMin = begun + totalMin;
  return {
    ...off,
    waitMin: totalMin - heaps.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0),
    offMin,
    cleanAfter: pulls(fits ? heaps.slice(0, painted) : heaps).length,
    afterMin: fits ? 0 : cleanMin,
    coverWaitMin: coverWait(off.dryAt, offMin + (fits ? 0 : cleanMin)),
    pulled: off.pulled && { ...off.pulled, at: begun + pulls(heaps)[0]!.startMin, hands: 1, restMin: 0, offMin },
  };
}

/** What comes off in the window of its lines, of several masks together. */
const firstOfAll = (offs: readonly MaskOff[]): MaskOff['first'] => ({
  lines: new Set(offs.flatMap(({ first }) => [...first.lines])),
  backings: new Set(offs.flatMap(({ first }) => [...first.backings])),
  covers: new Set(offs.flatMap(({ first }) => [...first.covers])),
});

const unplugOf = (problem: OrderProblem, parts: readonly PartId[]): number =>
  sumOf(parts, (part) => unplugMinOf(problem, part));

const coverWait = (dryAt: number, free: number): number => Math.max(0, dryAt - free);

/** Lines that come off before the rest, in one turn: of the stage's own mask, and of masks that stayed on until now. */
interface PullTurn extends Pick<EarlyPullGroup, 'school' | 'span'> {
  readonly off: readonly StageMask[];
}

const pullTurns = ({ pulls }: OrderProblem, own: StandingMask, masks: readonly StandingMask[]): PullTurn[] =>
  own.early.map((turn) => ({
    school: turn.school,
    span: turn.span,
    off: [
      turn.mask,
      ...masks.flatMap(({ mask, part }) => (part !== null && pulls ? [withPullGroup(pulls, mask, turn)] : [])),
    ],
  }));

/** What comes off before the rest, one turn after the other. Covers that lie on line tapes come off with the first. */
function earlyPulls(
  problem: OrderProblem,
  turns: readonly PullTurn[],
  lastCoatMin: number,
  coverFirstMin: number,
): EarlyPull[] {
  const pulls: EarlyPull[] = [];
  for (const { school, span, off } of turns) {
    const edges = new Set(off.flatMap((mask) => mask.edges.filter(({ laid }) => laid === 'now')));
    if (edges.size === 0) continue;
    const pullMin =
      sumOf(off, (mask) => maskOff(problem, mask, () => school).pullMin) + (pulls.length === 0 ? coverFirstMin : 0);
    const free = endOf(pulls.at(-1), lastCoatMin);
    const at = Math.max(free, lastCoatMin + span.from);
    const hands = peopleNeeded(pullMin, { from: at - lastCoatMin, to: span.to });
    pulls.push({ school, span, edges, pullMin, hands, at, restMin: at - free });
  }
  return pulls;
}

const endOf = (pull: EarlyPull | undefined, otherwise: number): number =>
  pull ? pull.at + pull.pullMin / pull.hands : otherwise;

/** True if a mask comes off after its window, or that of single lines of it, or after the clean time of its tape. */
export const isPastWindow = (problem: OrderProblem, mask: StandingMask, atMin: number): boolean =>
  pastSpan(problem, mask, atMin) ||
  mask.early.some(({ span }: EarlyPullGroup) => atMin > mask.at + (span.to ?? Infinity) + TOLERANCE.rounding);

const pastSpan = (problem: OrderProblem, mask: StandingMask, atMin: number): boolean =>
  atMin > mask.at + (mask.span.to ?? Infinity) + TOLERANCE.rounding || !comesOffClean(problem, mask, atMin);
