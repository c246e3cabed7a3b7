import type { PaintSystemKey } from '../finish';
import type { Message, MessageOf, NoValues } from '../kit';
import type { BandMessage } from '../lines';

/** What a key of a question accepts, to complete "accepts …". */
export interface AcceptMessages {
  readonly 'accepts.length': NoValues;
  readonly 'accepts.length-from-zero': NoValues;
  readonly 'accepts.length-signed': NoValues;
  readonly 'accepts.lengths': NoValues;
  readonly 'accepts.places': NoValues;
  readonly 'accepts.whole': { readonly least: number; readonly most: number };
  readonly 'accepts.number': { readonly least: number; readonly most: number; readonly unit: string };
  readonly 'accepts.share': { readonly most: number };
  readonly 'accepts.minutes': { readonly least: number; readonly most: number };
  readonly 'accepts.temperature': NoValues;
  readonly 'accepts.humidity': NoValues;
  readonly 'accepts.choice': { readonly choices: readonly string[] };
  readonly 'accepts.tape': NoValues;
  readonly 'accepts.finish': NoValues;
  readonly 'accepts.colour': NoValues;
  readonly 'accepts.ratio': NoValues;
  readonly 'accepts.scale': NoValues;
  readonly 'accepts.or-unknown': { readonly of: Message };
}
export type Accepted = MessageOf<AcceptMessages>;

/** What is wrong with the input of a question. */
export interface AskMessages {
  readonly 'ask.no-question': { readonly name: string; readonly names: readonly string[] };
  readonly 'ask.body': { readonly keys: readonly string[] };
  readonly 'ask.unknown-key': { readonly question: string; readonly keys: readonly string[] };
  /** `instead`: other ways to give it, each its keys. */
  readonly 'ask.missing': { readonly accepts: Accepted; readonly instead: readonly string[] };
  readonly 'ask.not-together': { readonly keys: readonly string[] };
  readonly 'ask.accepts': { readonly accepts: Accepted };
  readonly 'ask.not-understood': { readonly why: Message; readonly accepts: Accepted };
  readonly 'ask.or-unknown': { readonly why: Message };
  readonly 'ask.letters': { readonly most: number };
  readonly 'ask.between': { readonly least: number; readonly most: number; readonly unit: string };
  readonly 'ask.above-zero': { readonly mostMm: number };
  readonly 'ask.not-whole': { readonly value: number };
  readonly 'ask.not-choice': { readonly text: string };
  readonly 'ask.nothing-chosen': NoValues;
  readonly 'ask.not-colour': { readonly text: string };
  readonly 'ask.not-ratio': { readonly text: string };
  readonly 'ask.not-scale': { readonly text: string };
  readonly 'ask.too-many': { readonly most: number };
  readonly 'ask.must-be-above': NoValues;
  readonly 'ask.places': { readonly mostMm: number };
  readonly 'ask.one-unknown': { readonly names: readonly string[]; readonly found: number };
  /** Count, width, gap and margin of the nearest solutions, one after the other. */
  readonly 'ask.bands': { readonly why: BandMessage; readonly nearest: readonly Message[] };
  readonly 'ask.bands-of': {
    readonly count: number;
    readonly widthMm: number;
    readonly gapMm: number;
    readonly marginMm: number;
  };
  /** No tape on the shelf can be laid there at all. */
  readonly 'ask.no-tape-fits': Readonly<Record<string, never>>;
  readonly 'ask.no-tape': { readonly code: string; readonly codes: readonly string[] };
  readonly 'ask.no-finish': { readonly id: string; readonly ids: readonly string[] };
  readonly 'ask.no-diameter': NoValues;
  readonly 'ask.slack': NoValues;
  readonly 'ask.too-many-rows': { readonly most: number };
  readonly 'ask.no-solids': NoValues;
  readonly 'ask.no-transfer': NoValues;
  readonly 'ask.beyond-end': { readonly mostMm: number };
  readonly 'ask.at-tip': NoValues;
  readonly 'ask.same-places': NoValues;
}
export type AskMessage = MessageOf<AskMessages>;

/** Texts in the drawing of an answer. */
export interface SketchMessages {
  readonly 'sketch.system': { readonly system: PaintSystemKey };
  readonly 'sketch.number': { readonly number: number };
  readonly 'sketch.radius': { readonly radiusMm: number };
  readonly 'sketch.volume': { readonly ml: number };
  readonly 'sketch.coats': { readonly letters: readonly string[]; readonly coats: number };
}
export type SketchMessage = MessageOf<SketchMessages>;
