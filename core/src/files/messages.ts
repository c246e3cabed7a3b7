import type { Message, MessageOf, NoValues } from '../kit';

/** Why a drawing cannot be read. */
export interface DrawingMessages {
  readonly 'drawing.too-many-pieces': { readonly most: number };
  readonly 'drawing.too-many-places': { readonly most: number };
  readonly 'drawing.no-line': { readonly skipped: readonly SkippedMessage[] };
  readonly 'drawing.too-large': { readonly megabytes: number };
  readonly 'drawing.binary-dxf': NoValues;
  readonly 'drawing.bad-dxf': { readonly reason: string };
  readonly 'drawing.no-entities': NoValues;
  readonly 'drawing.endless-blocks': NoValues;
  readonly 'drawing.bad-svg': { readonly reason: string };
  readonly 'drawing.entities': NoValues;
  readonly 'drawing.too-deep': { readonly most: number };
  readonly 'drawing.not-svg': NoValues;
  readonly 'drawing.no-svg': NoValues;
}
export type DrawingMessage = MessageOf<DrawingMessages>;

/** What of a drawing was passed over, and how often; `name` is what the file calls it. */
export interface SkippedMessages {
  readonly 'skipped.no-number': Skipped;
  readonly 'skipped.no-length': Skipped;
  readonly 'skipped.not-flat': Skipped;
  readonly 'skipped.no-measures': Skipped;
  readonly 'skipped.no-block': Skipped;
  readonly 'skipped.script': Skipped;
  readonly 'skipped.embedded': Skipped;
  readonly 'skipped.reference': Skipped;
  readonly 'skipped.link': Skipped;
  readonly 'skipped.element': Skipped;
  readonly 'skipped.unreadable': Skipped;
}
type Skipped = Readonly<{ count: number; name: string }>;
export type SkippedMessage = MessageOf<SkippedMessages>;

/** What of a drawing was not taken over. */
export interface TakenMessages {
  readonly 'taken.no-outline': { readonly layer: string };
  readonly 'taken.paths': { readonly paths: number };
  readonly 'taken.corners': { readonly most: number };
  readonly 'taken.thinned': { readonly corners: number; readonly strayMm: number };
}
export type TakenMessage = MessageOf<TakenMessages>;

/** Why nothing is printed. */
export interface PrintMessages {
  readonly 'print.no-part': { readonly part: string };
  readonly 'print.too-many-sheets': { readonly sheets: number };
  readonly 'print.nothing-to-mark': NoValues;
  readonly 'print.no-mask-fits': { readonly widthMm: number; readonly masks: readonly string[] };
  readonly 'print.no-masks': NoValues;
  /** No finish is given yet: there is nothing to lay. */
  readonly 'print.nothing-to-lay': NoValues;
}
export type PrintMessage = MessageOf<PrintMessages>;

/** What stands on paper besides names and codes. */
export interface PaperMessages {
  readonly 'paper.part': { readonly job: string; readonly part: string; readonly mirrored: boolean };
  readonly 'paper.table': { readonly job: string; readonly part: string; readonly line: string };
  readonly 'paper.masks': { readonly job: string; readonly widthMm: number };
  readonly 'paper.lay': { readonly job: string };
  readonly 'paper.stage': { readonly stage: number; readonly finish: string };
  readonly 'paper.film': { readonly lengthMm: number; readonly tooLarge: readonly string[] };
  readonly 'paper.unrolled': NoValues;
  readonly 'paper.seam': { readonly edge: 'P' | 'Q' };
  readonly 'paper.gore': { readonly gore: number; readonly gores: number; readonly meets: number };
  readonly 'paper.gores': { readonly gores: number; readonly errorMm: number };
  /** One sheet of a grid of sheets, with its own code and those of the first and the last sheet. */
  readonly 'paper.foot': {
    readonly title: Message;
    readonly sheet: string;
    readonly first: string;
    readonly last: string;
  };
  readonly 'paper.sheet-of': { readonly note: string; readonly sheet: number; readonly sheets: number };
}
export type PaperMessage = MessageOf<PaperMessages>;

/** A text on paper: as a person typed it, or something to be put into words. */
export type PaperText = string | PaperMessage;

/** Puts what stands on paper into words. */
export type PaperTexts = (text: Message) => string;
