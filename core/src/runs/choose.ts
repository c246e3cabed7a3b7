import { maxDwellMin } from '../drying';
import { compareText, firstItem, messageWithoutValues, minOf, TOLERANCE } from '../kit';
import { type DeTack, deTackFor, type Hold, holdOnFilm, tapeGrip } from '../masking';
import {
  type BendSample,
  EDGE_CLASSES,
  type Fit,
  fitAlong,
  follows,
  type LineSide,
  type Tape,
  type TapeKind,
} from '../tape';
import type { Doubt } from './messages';
import { RUN_RULES } from './rules-of-thumb';

/** Requirements of a run on its tape. */
export interface TapeWish {
  readonly samples: readonly BendSample[];
  readonly side: LineSide;
  /** True where the edge stays; false where it will be painted over. */
  readonly crisp: boolean;
  /** Width of the strip the tape alone must cover; null where more covers behind it. */
  readonly exactWidthMm: number | null;
  /** Room on the covered side: a wider tape would lie on an open area. */
  readonly roomMm: number;
  /** True for a run along the surroundings, on what lies beyond. */
  readonly rim?: boolean;
  /** True for a tape behind a line: any width that there is. */
  readonly wide?: boolean;
  /** True where the narrowest that is wide enough is best, else the widest. */
  readonly narrowest?: boolean;
  /** Width it is to have at least, if one of them can be laid as well; left out: any. */
  readonly leastMm?: number;
  readonly surfaceC: number;
  readonly airC: number;
  /** How long it stays, from when it is laid until it is pulled, minutes. */
  readonly staysMin: number;
  /** How strongly what lies below holds to its ground when the tape comes off, N/25 mm; Infinity: nothing could come off. */
  readonly bondN25: number;
  readonly model: boolean;
}

export interface TapeChoice {
  readonly tape: Tape;
  readonly fit: Fit;
  /** Whether it may lie on the film below; after de-tacking, if that is stated. */
  readonly hold: Hold;
  /** How often it is stuck to clean cloth first. */
  readonly deTack: DeTack;
  /** Remaining doubts. */
  readonly doubts: readonly Doubt[];
  /** True where a person has chosen it. */
  readonly pinned?: boolean;
}

// Which kind is tried first, by what the run asks: rules of the trade, see docs/computation.md.
const KINDS = {
  straight: { full: ['F', 'V', 'W', 'M', 'T', 'P', 'X', 'C', 'G'], model: ['W', 'M', 'V', 'F', 'P', 'X', 'C', 'G'] },
  curved: { full: ['V', 'M', 'W', 'F', 'X', 'P', 'C', 'G'], model: ['M', 'W', 'V', 'F', 'P', 'X', 'C', 'G'] },
  rim: { full: ['X', 'C', 'P', 'G', 'V'], model: ['M', 'W', 'P', 'X', 'C', 'G'] },
  rough: { full: ['C', 'G', 'P', 'X', 'V'], model: ['P', 'W', 'M', 'G', 'C'] },
} as const satisfies Record<string, Record<'full' | 'model', readonly TapeKind[]>>;

/** No edge needs a tape wider than this; wider ones cover. */
const WIDEST_EDGE_MM = { crisp: 19, rough: 24 } as const;

/**
 * Chooses the tape of a run among those that follow the whole line and still come off clean when pulled: one that
 * lifts nothing before one that needs a test pull, and that before one that takes paint off; a clean edge on a safe
 * tape before a fair one, a fair one on a safe tape before a clean one on an unsafe one. Among equals the first kind
 * in the order of the shelf, and of that the widest with room that bends with little stretch, if there is one.
 * @returns null if no tape on the shelf fits beside the edge; a doubt if the best one is not good
 */
export function chooseTape(shelf: readonly Tape[], wish: TapeWish): TapeChoice | null {
  const { leastMm = 0 } = wish;
  const any = chosenOf(shelf, wish);
  if (!any || any.tape.widthMm >= leastMm) return any;
  const wider = chosenOf(
    shelf.filter(({ widthMm }) => widthMm >= leastMm),
    wish,
  );
  const asGood =
    wider &&
    follows(wider.fit) &&
    HOLDS.indexOf(wider.hold) <= HOLDS.indexOf(any.hold) &&
    wider.doubts.length <= any.doubts.length;
  return asGood ? wider : any;
}

const HOLDS: readonly Hold[] = ['safe', 'test', 'no'];

function chosenOf(shelf: readonly Tape[], wish: TapeWish): TapeChoice | null {
  const suiting = shelf.filter((tape) => suits(tape, wish));
  const warm = suiting.filter(({ minApplyC }) => minApplyC <= wish.surfaceC);
  const best = bestOf(
    warm.filter((tape) => dwellShare(tape, wish) <= 1),
    wish,
  );
  if (best) return withDoubts(best, wish, suiting, []);
  const short = bestOf(warm, wish);
  if (short) {
    const cleanMin = maxDwellMin(short.tape.cleanHours, wish.airC);
    return withDoubts(short, wish, suiting, [
      { code: 'doubt.outstays', values: { cleanMin, staysMin: wish.staysMin } },
    ]);
  }
  if (warm.length > 0)
    return withDoubts(tightestFollower(warm, wish), wish, suiting, [messageWithoutValues('doubt.too-tight')]);
  if (suiting.length === 0) return null;
  const cold = bestOf(suiting, wish) ?? tightestFollower(suiting, wish);
  return withDoubts(cold, wish, suiting, [
    { code: 'doubt.cold', values: { needsC: cold.tape.minApplyC, surfaceC: wish.surfaceC } },
  ]);
}

/** The choice with what its edge and what lies below have against it. */
function withDoubts(
  { rank: _, ...choice }: Candidate,
  wish: TapeWish,
  suiting: readonly Tape[],
  doubts: readonly Doubt[],
): TapeChoice {
  const { tape, hold } = choice;
  return {
    ...choice,
    doubts: [
      ...doubts,
      ...(makesIt(tape, wish) ? [] : [lesserEdgeDoubt(tape, wish, suiting)]),
      ...(hold === 'safe' ? [] : [messageWithoutValues(hold === 'test' ? 'doubt.test-pull' : 'doubt.lifts')]),
    ],
  };
}

/** Why a tape with a lesser edge is laid: what decided is named. */
function lesserEdgeDoubt({ edge }: Tape, wish: TapeWish, suiting: readonly Tape[]): Doubt {
  const makers = suiting.filter((tape) => makesIt(tape, wish));
  const needsC = minOf(makers.map(({ minApplyC }) => minApplyC));
  return makers.length > 0 && needsC > wish.surfaceC
    ? { code: 'doubt.cold-edge', values: { edge, needsC, surfaceC: wish.surfaceC } }
    : { code: 'doubt.lesser-edge', values: { edge, gentle: makers.length > 0 } };
}

/**
 * How long the tapes that make the edge that is wanted come off clean, at best; where none of them can, any that fits.
 * @returns hours at 23 °C; Infinity where none could
 */
export function longestClean(shelf: readonly Tape[], wish: TapeWish): number {
  const suiting = shelf
    .filter((tape) => suits(tape, wish) && tape.minApplyC <= wish.surfaceC)
    .sort((a, b) => b.cleanHours - a.cleanHours);
  const following = (tapes: readonly Tape[]) => tapes.find((tape) => follows(fitOf(tape, wish)));
  return (following(suiting.filter((tape) => makesIt(tape, wish))) ?? following(suiting))?.cleanHours ?? Infinity;
}

interface Candidate extends Omit<TapeChoice, 'doubts'> {
  /** The less, the better it is for what lies below and for the edge. */
  readonly rank: number;
}

/** How much worse the edge of a tape is than required. */
const lesserEdge = (tape: Tape, { crisp }: Pick<TapeWish, 'crisp'>): number =>
  crisp ? EDGE_CLASSES.indexOf(tape.edge) : 0;
const makesIt = (tape: Tape, wish: Pick<TapeWish, 'crisp'>): boolean => lesserEdge(tape, wish) === 0;

function suits(tape: Tape, wish: TapeWish): boolean {
  if (wish.exactWidthMm !== null)
    return tape.edge === 'crisp' && Math.abs(tape.widthMm - wish.exactWidthMm) <= TOLERANCE.tapeWidth;
  return tape.widthMm <= Math.min(wish.roomMm, widestFor(tape, wish));
}

/** The widest tape that is laid along an edge, mm. */
export const widestFor = ({ edge }: Pick<Tape, 'edge'>, { crisp, wide }: Pick<TapeWish, 'crisp' | 'wide'>): number =>
  wide ? Infinity : crisp && edge === 'crisp' ? WIDEST_EDGE_MM.crisp : WIDEST_EDGE_MM.rough;

/** How long a tape stays, over how long it comes off clean. */
export const dwellShare = ({ cleanHours }: Tape, { staysMin, airC }: TapeWish): number =>
  staysMin / maxDwellMin(cleanHours, airC);

/**
 * The best of the tapes that follow; null where none does. They are led along the line in the order they would be chosen, until one follows.
 * A lesser edge is there for the sake of what lies below: where no tape with the edge that is wanted makes the bend, the run is split there.
 */
function bestOf(tapes: readonly Tape[], wish: TapeWish): Candidate | null {
  const straight = wish.samples.every(({ curvature }) => Math.abs(curvature) < TOLERANCE.straight);
  const kinds: readonly TapeKind[] =
    KINDS[wish.rim ? 'rim' : !wish.crisp ? 'rough' : straight ? 'straight' : 'curved'][wish.model ? 'model' : 'full'];
  const placeOf = ({ kind }: Tape) => (kinds.includes(kind) ? kinds.indexOf(kind) : kinds.length);
  const standing = tapes
    .map((tape) => ({ tape, ...standingOf(tape, wish), place: placeOf(tape) }))
    .sort((a, b) => a.rank - b.rank || a.place - b.place);
  const alike = new Map<string, typeof standing>();
  for (const candidate of standing)
    alike.set(`${candidate.rank} ${candidate.place}`, [
      ...(alike.get(`${candidate.rank} ${candidate.place}`) ?? []),
      candidate,
    ]);
  for (const group of alike.values()) {
    const best = group
      .map(({ place: _, ...one }) => ({ ...one, fit: fitOf(one.tape, wish) }))
      .filter(({ fit }) => follows(fit))
      .sort((a, b) => effort(a) - effort(b) || wider(a.tape, b.tape, wish) || compareText(a.tape.code, b.tape.code))[0];
    if (!best) continue;
    const wanted = makesIt(best.tape, wish) ? [] : tapes.filter((tape) => makesIt(tape, wish));
    return wanted.length === 0 || wanted.some((tape) => follows(fitOf(tape, wish))) ? best : null;
  }
  return null;
}

/** The wider first; or the narrowest that is wide enough. */
const wider = (tape: Tape, other: Tape, { narrowest, leastMm = 0 }: TapeWish): number =>
  narrowest && tape.widthMm >= leastMm && other.widthMm >= leastMm
    ? tape.widthMm - other.widthMm
    : other.widthMm - tape.widthMm;

const fitOf = (tape: Tape, { samples, side }: TapeWish): Fit => fitAlong(tape, samples, side);

/** How a tape stands to what lies below and to the edge that is wanted, wherever its line goes. */
function standingOf(tape: Tape, wish: TapeWish): Pick<Candidate, 'hold' | 'deTack' | 'rank'> {
  const share = dwellShare(tape, wish);
  const deTack = deTackFor(wish.bondN25, tape, share) ?? 0;
  const hold = deTack > 0 ? 'safe' : holdOnFilm(wish.bondN25, tapeGrip(tape, share));
  const lesser = lesserEdge(tape, wish);
  // A clean edge on a safe tape, the same once it has lost some grip, then lesser edges that are safe; what needs a test; what lifts paint.
  const rank = hold === 'safe' ? 2 * lesser + (deTack > 0 ? 1 : 0) : hold === 'test' ? 6 + lesser : 9 + lesser;
  return { hold, deTack, rank };
}

const effort = ({ fit }: Pick<Candidate, 'fit'>): number => (fit.stretch <= RUN_RULES.easyStretch ? 0 : 1);

/** Of tapes that all fail, the one that bends most: narrow and stretchy; one with the edge that is wanted, if there is. */
function tightestFollower(tapes: readonly Tape[], wish: TapeWish): Candidate {
  const stiffness = ({ widthMm, stretch, fold }: Tape) => widthMm / (stretch + fold);
  const softest = firstItem(
    [...tapes].sort(
      (a, b) => lesserEdge(a, wish) - lesserEdge(b, wish) || stiffness(a) - stiffness(b) || compareText(a.code, b.code),
    ),
  );
  return { tape: softest, fit: fitOf(softest, wish), ...standingOf(softest, wish) };
}
