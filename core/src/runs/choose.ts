import { fitAlong, follows, type BendSample, type Fit, type LineSide, type Tape, type TapeKind } from '../tape';
import { byText, RULE_OF_THUMB, TOLERANCE } from '../units';

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
  readonly model: boolean;
}

export interface TapeChoice {
  readonly tape: Tape;
  readonly fit: Fit;
  /** What speaks against it all the same; null where nothing does. */
  readonly doubt: string | null;
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
 * Chooses the tape of a run: the first kind, in the order of the trade, that follows the whole line, and of it the
 * widest that has room and bends with little stretch, if any does.
 * @returns null where the shelf has no tape for such an edge at all; a doubt where the best is not good
 */
export function chooseTape(shelf: readonly Tape[], wish: TapeWish): TapeChoice | null {
  const fitting = shelf.filter((tape) => suits(tape, wish)).map((tape) => ({ tape, fit: fitAlong(tape, wish.samples, wish.side) }));
  const warm = fitting.filter(({ tape }) => tape.minApplyC <= wish.surfaceC);
  const good = warm.filter(({ fit }) => follows(fit));
  if (good.length > 0) return { ...firstByTrade(good, wish), doubt: null };
  if (warm.length > 0)
    return { ...tightestFollower(warm), doubt: 'too tight for every tape on the shelf: split the run at the bend or cut the edge from film' };
  if (fitting.length > 0) {
    const best = fitting.filter(({ fit }) => follows(fit));
    const choice = best.length > 0 ? firstByTrade(best, wish) : tightestFollower(fitting);
    return { ...choice, doubt: `needs ${choice.tape.minApplyC} °C to stick, the surface has ${wish.surfaceC} °C: warm part and tape` };
  }
  return null;
}

type Candidate = Omit<TapeChoice, 'doubt'>;

function suits(tape: Tape, wish: TapeWish): boolean {
  if (wish.exactWidthMm !== null) return tape.edge === 'crisp' && Math.abs(tape.widthMm - wish.exactWidthMm) <= TOLERANCE.tapeWidth;
  if (wish.crisp && tape.edge !== 'crisp') return false;
  return tape.widthMm <= Math.min(wish.roomMm, wish.crisp ? WIDEST_EDGE_MM.crisp : WIDEST_EDGE_MM.rough);
}

function firstByTrade(candidates: readonly Candidate[], wish: TapeWish): Candidate {
  const straight = wish.samples.every(({ curvature }) => Math.abs(curvature) < 1e-7);
  const kinds: readonly TapeKind[] = KINDS[!wish.crisp ? 'rough' : straight ? 'straight' : 'curved'][wish.model ? 'model' : 'full'];
  const rank = ({ tape }: Candidate) => (kinds.includes(tape.kind) ? kinds.indexOf(tape.kind) : kinds.length);
  const effort = ({ fit }: Candidate) => (fit.stretch <= RULE_OF_THUMB.easyStretch ? 0 : 1);
  return [...candidates].sort((a, b) => rank(a) - rank(b) || effort(a) - effort(b) || b.tape.widthMm - a.tape.widthMm || byText(a.tape.code, b.tape.code))[0];
}

/** Of tapes that all fail, the one that bends most: narrow and stretchy. */
const tightestFollower = (candidates: readonly Candidate[]): Candidate =>
  [...candidates].sort(
    (a, b) => a.tape.widthMm / (a.tape.stretch + a.tape.fold) - b.tape.widthMm / (b.tape.stretch + b.tape.fold) || byText(a.tape.code, b.tape.code),
  )[0];
