import type { PullTiming } from '../finish';
import type { MessageOf, NoValues } from '../kit';

type Places = { readonly atMm: readonly number[] };
type Stretch = { readonly fromMm: number; readonly toMm: number };

/** How a run is laid. */
export interface TechniqueMessages {
  readonly 'technique.by-hand': NoValues;
  readonly 'technique.end-before-bend': NoValues;
  readonly 'technique.one-tape': NoValues;
  /** Mean stretch, as a fraction. */
  readonly 'technique.stretch': { readonly share: number };
  readonly 'technique.sighted': NoValues;
  readonly 'technique.steer': NoValues;
  readonly 'technique.short': NoValues;
  /** Before it is applied. */
  readonly 'technique.test-pull': NoValues;
  readonly 'technique.de-tack': { readonly times: number };
  /** From film, along the line; `inside`: the piece itself covers, else what is left round it; `with`: out of one film with the other strokes of this line. */
  readonly 'technique.cut-out': { readonly inside: boolean; readonly with: string | null };
  /** Where a finish fades out. */
  readonly 'technique.rolled-back': NoValues;
  /** Behind a line tape: how far held back from the line, in how many straight pieces of what length. */
  readonly 'technique.backing': {
    readonly tape: string | null;
    readonly lengthMm: number;
    readonly offsetMm: number;
    readonly pieces: number;
    readonly pieceMm: number;
  };
  /** The other way round: the line tape lies first, the backing over it. */
  readonly 'technique.backing-over': {
    readonly tape: string | null;
    readonly lengthMm: number;
    readonly offsetMm: number;
    readonly pieces: number;
    readonly pieceMm: number;
  };
  /** A person masks this edge their own way; their description, empty if there is none. */
  readonly 'technique.own': { readonly how: string };
  /** A strip of an odd width: slit to it from a wider tape. */
  readonly 'technique.slit': { readonly fromMm: number; readonly toMm: number };
  /** What is painted is a narrow gap between two tapes. */
  readonly 'technique.gap': { readonly gapMm: number };
  /** It is pulled slowly; `inMm`: cut into lengths of this, null: in one piece. */
  readonly 'technique.low-pull': { readonly inMm: number | null };
  /** Where other tapes lie already it ends against them: one more would be too many on each other. `backing`: it is the backing that ends. */
  readonly 'technique.stop-short': {
    readonly atMm: readonly number[];
    readonly layers: number;
    readonly backing: boolean;
  };
  /** A backing ends against line tapes that come off before it. */
  readonly 'technique.end-clear': Places;
  readonly 'technique.over-seam': { readonly tape: string | null; readonly lengthMm: number };
  /** Along the surroundings. */
  readonly 'technique.foam-gap': { readonly gapMm: number };
  readonly 'technique.back-mask': NoValues;
  readonly 'technique.tuck': NoValues;
  readonly 'technique.beside-edge': NoValues;
  /** On the part itself, while what is beyond it is painted. */
  readonly 'technique.own-edge': NoValues;
  /** Beside foam, on what stays clean: the cover hangs from it. */
  readonly 'technique.outline': NoValues;
  readonly 'technique.shut': NoValues;
  readonly 'technique.hang-paper': NoValues;
  /**
   * Several shapes of one line out of one film: number with film round them, number of pieces within; size of all
   * together.
   */
  readonly 'technique.cut-sheet': {
    readonly line: string;
    readonly shapes: number;
    readonly inner: number;
    readonly widthMm: number;
    readonly heightMm: number;
  };
  readonly 'technique.closed': { readonly overlapMm: number };
  /** At places along the line, mm. */
  readonly 'technique.corner': Places;
  readonly 'technique.snip': Places;
  readonly 'technique.guide': Places;
  /** Round a post. */
  readonly 'technique.pieces': Places;
  readonly 'technique.hollow': Places;
  readonly 'technique.press': Places;
  /** Along a stretch of it, where the tape is wider than what it covers. */
  readonly 'technique.trim': Stretch;
  readonly 'technique.texture': Stretch;
  /** A raised row lies along under it. */
  readonly 'technique.row-along': Stretch;
  readonly 'technique.at-the-piece': Stretch;
}
export type Technique = MessageOf<TechniqueMessages>;

/** Doubts about the tape of a run, or why it has none. */
export interface DoubtMessages {
  readonly 'doubt.outstays': { readonly cleanMin: number; readonly staysMin: number };
  readonly 'doubt.too-tight': NoValues;
  /** More tapes on each other than can be pressed into a corner, and none of them can end before. */
  readonly 'doubt.build-up': { readonly layers: number; readonly atMm: number };
  /** It lies over a tape of an earlier stage that comes off first; `early`: with this pull timing, before the rest of that stage. */
  readonly 'doubt.over-earlier': { readonly stage: number; readonly early?: PullTiming };
  readonly 'doubt.cold': { readonly needsC: number; readonly surfaceC: number };
  /** Its edge is not as clean as is wanted; `gentle`: for the sake of what lies below, else there is none. */
  readonly 'doubt.lesser-edge': { readonly edge: 'crisp' | 'fair' | 'soft'; readonly gentle: boolean };
  /** Its edge is not as clean as is wanted: where it is this cold, the tapes that make one do not stick. */
  readonly 'doubt.cold-edge': {
    readonly edge: 'crisp' | 'fair' | 'soft';
    readonly needsC: number;
    readonly surfaceC: number;
  };
  readonly 'doubt.test-pull': NoValues;
  readonly 'doubt.lifts': NoValues;
  readonly 'doubt.none-narrow': { readonly roomMm: number };
  readonly 'doubt.none-for-edge': NoValues;
  /** There is no tape for a backing: none is wider than the line tape. */
  readonly 'doubt.none-wider': { readonly lineTapeMm: number };
  readonly 'doubt.none-for-strip': NoValues;
  readonly 'doubt.none-for-rim': NoValues;
  readonly 'doubt.none-for-seam': NoValues;
  /** A tape a person has named that is not on the shelf. */
  readonly 'doubt.not-there': { readonly tape: string };
  /** A tape a person has chosen that does not fit here, or has run out. */
  readonly 'doubt.not-chosen': { readonly tape: string };
}
export type Doubt = MessageOf<DoubtMessages>;
