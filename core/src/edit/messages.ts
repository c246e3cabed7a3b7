import type { MessageOf, NoValues } from '../kit';

type Named = { readonly name: string };
/** An area by its code on the drawing. */
type OfArea = { readonly code: string };

/** What a change of a design is called when it is taken back, or done again. */
export interface EditMessages {
  readonly 'edit.part-added': Named;
  readonly 'edit.part-changed': Named;
  readonly 'edit.part-gone': Named;
  readonly 'edit.line-added': Named;
  readonly 'edit.line-changed': Named;
  readonly 'edit.line-moved': Named;
  readonly 'edit.line-gone': Named;
  readonly 'edit.line-copied': Named;
  readonly 'edit.line-up': Named;
  readonly 'edit.line-down': Named;
  readonly 'edit.line-hidden': Named;
  readonly 'edit.line-shown': Named;
  readonly 'edit.line-locked': Named;
  readonly 'edit.line-unlocked': Named;
  readonly 'edit.line-fair': Named;
  readonly 'edit.drawing': NoValues;
  readonly 'edit.finish': OfArea;
  readonly 'edit.area': OfArea;
  readonly 'edit.present': OfArea;
  readonly 'edit.place-gone': NoValues;
  readonly 'edit.scheme-copied': NoValues;
  readonly 'edit.scheme-named': NoValues;
  readonly 'edit.scheme-taken': NoValues;
  readonly 'edit.scheme-gone': NoValues;
  readonly 'edit.primer': NoValues;
  readonly 'edit.clear': NoValues;
  readonly 'edit.widths': NoValues;
  readonly 'edit.order': NoValues;
  readonly 'edit.order-found': NoValues;
  readonly 'edit.order-free': NoValues;
  readonly 'edit.wish': NoValues;
  readonly 'edit.rule': NoValues;
  readonly 'edit.vouched': NoValues;
  readonly 'edit.pinned': OfArea;
  /** A tape chosen for a line; an empty code: the plan chooses again. */
  readonly 'edit.tape': { readonly tape: string; readonly line: string };
  readonly 'edit.tape-forbidden': { readonly tape: string };
  readonly 'edit.tape-allowed': { readonly tape: string };
  readonly 'edit.own-way': { readonly line: string };
  readonly 'edit.layers': { readonly line: string };
  readonly 'edit.pulls': { readonly line: string };
  readonly 'edit.closing': { readonly opening: string };
  readonly 'edit.own-added': NoValues;
  readonly 'edit.own-changed': NoValues;
  readonly 'edit.own-gone': NoValues;
  readonly 'edit.job': NoValues;
  /** Text written by an older version of the program. */
  readonly 'edit.written': { readonly words: string };
}
export type EditMessage = MessageOf<EditMessages>;
