import { fitAlong, follows, type BendSample, type Fit, type LineSide, type Tape, type TapeKind } from '../tape';
import { dwellMinutes } from '../drying';
import { byText, plainly, RULE_OF_THUMB, TOLERANCE, theFirst } from '../units';
import type { Doubt } from './says';

/** What a run asks of its tape. */
export interface TapeWish {
  readonly samples: readonly BendSample[];
  readonly side: LineSide;
  /** True where the edge stays; false where it will be painted over. */
  readonly crisp: boolean;
  /** Width of the strip the tape alone must cover; null where more covers behind it. */
  readonly exactWidthMm: number | null;
  /** Room on the closed side: a wider tape would lie on an open area. */
  readonly roomMm: number;
  readonly surfaceC: number;
  readonly airC: number;
  /** How long it stays, from when it is laid until it is pulled, minutes. */
  readonly staysMin: number;
  readonly model: boolean;
}

export interface TapeChoice {
  readonly tape: Tape;
  readonly fit: Fit;
  /** What speaks against it all the same; null where nothing does. */
  readonly doubt: Doubt | null;
}

// Which kind is tried first, by what the run asks: rules of the trade, see docs/computation.md.
const KINDS = {
  straight: { full: ['F', 'V', 'W', 'M', 'T'], model: ['W', 'M', 'V', 'F'] },
  curved: { full: ['V', 'M', 'W', 'F'], model: ['M', 'W', 'V', 'F'] },
  rough: { full: ['C', 'G', 'P', 'X', 'V'], model: ['P', 'W', 'M', 'G', 'C'] },
} as const satisfies Record<string, Record<'full' | 'model', readonly TapeKind[]>>;

/** No edge needs a tape wider than this; wider ones cover. */
const WIDEST_EDGE_MM = { crisp: 19, rough: 24 } as const;

/**
 * Chooses the tape of a run: the first kind, in the order of the trade, that follows the whole line and still comes off clean when
 * it is pulled, and of it the widest that has room and bends with little stretch, if any does.
 * @returns null where the shelf has no tape for such an edge at all; a doubt where the best is not good
 */
export function chooseTape(shelf: readonly Tape[], wish: TapeWish): TapeChoice | null {
  const suiting = shelf.filter((tape) => suits(tape, wish));
  const warm = suiting.filter(({ minApplyC }) => minApplyC <= wish.surfaceC);
  const lasts = ({ cleanHours }: Tape) => dwellMinutes(cleanHours, wish.airC) >= wish.staysMin;
  const good = firstByTrade(warm.filter(lasts), wish);
  if (good) return { ...good, doubt: null };
  const short = firstByTrade(warm, wish);
  if (short)
    return {
      ...short,
      doubt: { code: 'doubt.outstays', values: { cleanMin: dwellMinutes(short.tape.cleanHours, wish.airC), staysMin: wish.staysMin } },
    };
  if (warm.length > 0) return { ...tightestFollower(warm, wish), doubt: plainly('doubt.too-tight') };
  if (suiting.length === 0) return null;
  const cold = firstByTrade(suiting, wish) ?? tightestFollower(suiting, wish);
  return { ...cold, doubt: { code: 'doubt.cold', values: { needsC: cold.tape.minApplyC, surfaceC: wish.surfaceC } } };
}

/**
 * How long the tapes that could make an edge come off clean, at best.
 * @returns hours at 23 °C; Infinity where none could
 */
export function longestClean(shelf: readonly Tape[], wish: TapeWish): number {
  const suiting = shelf.filter((tape) => suits(tape, wish) && tape.minApplyC <= wish.surfaceC).sort((a, b) => b.cleanHours - a.cleanHours);
  return suiting.find((tape) => follows(fitted(tape, wish).fit))?.cleanHours ?? Infinity;
}

type Candidate = Omit<TapeChoice, 'doubt'>;

function suits(tape: Tape, wish: TapeWish): boolean {
  if (wish.exactWidthMm !== null) return tape.edge === 'crisp' && Math.abs(tape.widthMm - wish.exactWidthMm) <= TOLERANCE.tapeWidth;
  if (wish.crisp && tape.edge !== 'crisp') return false;
  return tape.widthMm <= Math.min(wish.roomMm, wish.crisp ? WIDEST_EDGE_MM.crisp : WIDEST_EDGE_MM.rough);
}

/** The best tape of the first kind that has one which follows; null where none does. */
function firstByTrade(tapes: readonly Tape[], wish: TapeWish): Candidate | null {
  const straight = wish.samples.every(({ curvature }) => Math.abs(curvature) < 1e-7);
  const kinds: readonly TapeKind[] = KINDS[!wish.crisp ? 'rough' : straight ? 'straight' : 'curved'][wish.model ? 'model' : 'full'];
  const others = [...new Set(tapes.map(({ kind }) => kind))].filter((kind) => !kinds.includes(kind));
  for (const kind of [...kinds, ...others]) {
    const following = tapes
      .filter((tape) => tape.kind === kind)
      .map((tape) => fitted(tape, wish))
      .filter(({ fit }) => follows(fit));
    if (following.length > 0) return following.sort((a, b) => effort(a) - effort(b) || b.tape.widthMm - a.tape.widthMm || byText(a.tape.code, b.tape.code))[0]!;
  }
  return null;
}

const fitted = (tape: Tape, wish: TapeWish): Candidate => ({ tape, fit: fitAlong(tape, wish.samples, wish.side) });
const effort = ({ fit }: Candidate): number => (fit.stretch <= RULE_OF_THUMB.easyStretch ? 0 : 1);

/** Of tapes that all fail, the one that bends most: narrow and stretchy. */
function tightestFollower(tapes: readonly Tape[], wish: TapeWish): Candidate {
  const stiffness = ({ widthMm, stretch, fold }: Tape) => widthMm / (stretch + fold);
  const softest = theFirst([...tapes].sort((a, b) => stiffness(a) - stiffness(b) || byText(a.code, b.code)));
  return fitted(softest, wish);
}
