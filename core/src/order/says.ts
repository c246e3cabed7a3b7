import type { NoValues, SaidOf } from '../units';

/** What stands in the way of what a person asks of the order. Finishes and areas by the names a person gave them. */
export interface RuleSays {
  readonly 'rule.circle': { readonly first: string; readonly then: string };
  readonly 'rule.order-against': { readonly first: string; readonly then: string };
  readonly 'rule.open-and-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.own-covered': { readonly area: string; readonly finish: string };
  readonly 'rule.kept-open': { readonly area: string; readonly finish: string };
  readonly 'rule.too-many-stages': { readonly stages: number; readonly most: number };
}
export type RuleSaid = SaidOf<RuleSays>;

/** What may be least in one order. */
export const FIGURES_TOLD = ['work', 'end', 'coats', 'tape', 'risk', 'paint'] as const;
export type FigureTold = (typeof FIGURES_TOLD)[number];

/** What speaks for an order of coats. */
export interface ReasonSays {
  readonly 'reason.one-colour': NoValues;
  readonly 'reason.only-one': NoValues;
  readonly 'reason.saves-coats': { readonly finish: string; readonly before: string; readonly coats: number; readonly instead: number };
  readonly 'reason.least': { readonly of: readonly FigureTold[] };
  readonly 'reason.strip': NoValues;
  readonly 'reason.together': NoValues;
  readonly 'reason.comparison': NoValues;
}
export type ReasonSaid = SaidOf<ReasonSays>;
