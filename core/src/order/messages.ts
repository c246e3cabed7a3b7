import type { MessageOf, NoValues } from '../kit';

/** What stands in the way of what a person asks of the order. Finishes and areas by the names a person gave them. */
export interface RuleMessages {
  readonly 'rule.circle': { readonly first: string; readonly then: string };
  readonly 'rule.order-against': { readonly first: string; readonly then: string };
  readonly 'rule.open-and-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.own-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.kept-open': { readonly area: string; readonly finish: string };
  readonly 'rule.too-many-stages': { readonly stages: number; readonly most: number };
}
export type RuleMessage = MessageOf<RuleMessages>;

/** What may be least in one order. */
export const SAVED_FIGURES = ['work', 'end', 'coats', 'tape', 'risk', 'paint'] as const;
export type SavedFigure = (typeof SAVED_FIGURES)[number];

/** What speaks for an order of coats. */
export interface ReasonMessages {
  readonly 'reason.one-colour': NoValues;
  readonly 'reason.only-one': NoValues;
  readonly 'reason.saves-coats': {
    readonly finish: string;
    readonly before: string;
    readonly coats: number;
    readonly instead: number;
  };
  readonly 'reason.least': { readonly of: readonly SavedFigure[] };
  readonly 'reason.strip': NoValues;
  readonly 'reason.together': NoValues;
  readonly 'reason.comparison': NoValues;
}
export type ReasonMessage = MessageOf<ReasonMessages>;
