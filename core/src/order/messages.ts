import type { MessageOf, NoValues } from '../kit';

/** Why a rule about the order cannot be kept. Finishes and areas appear by their given names. */
export interface RuleMessages {
  readonly 'rule.circle': { readonly first: string; readonly then: string };
  readonly 'rule.order-against': { readonly first: string; readonly then: string };
  readonly 'rule.open-and-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.own-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.kept-open': { readonly area: string; readonly finish: string };
  readonly 'rule.too-many-stages': { readonly stages: number; readonly most: number };
}
export type RuleMessage = MessageOf<RuleMessages>;

/** Figures that may be lowest in one order. */
export const SAVED_FIGURES = ['work', 'end', 'coats', 'tape', 'risk', 'paint'] as const;
export type SavedFigure = (typeof SAVED_FIGURES)[number];

/** Reasons for an order of coats. */
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
