import type { ReasonMessages, RuleMessages, SavedFigure } from '@lintrel/core';
import { countText, sentence, type WordsOf } from '../table';

export const RULE_WORDS: WordsOf<RuleMessages> = {
  'rule.circle': ({ first, then }) =>
    `${first} before ${then} cannot hold together with the other wishes for the order: take one of them back.`,
  'rule.order-against': ({ first, then }) =>
    `The chosen order has ${first} before ${then}, which is asked the other way round: the order is kept.`,
  'rule.open-and-covered': ({ area, finish }) =>
    `${area} is asked to be open and covered while ${finish} is sprayed: take one of them back.`,
  'rule.own-covered': ({ area, finish }) => `${area} gets ${finish} and cannot be covered while it is sprayed.`,
  'rule.kept-open': ({ area, finish }) => `${area} is kept and cannot be open while ${finish} is sprayed.`,
  'rule.too-many-stages': ({ stages, most }) =>
    `It takes ${stages} stages, one for each finish, and at most ${most} are wanted: use fewer finishes.`,
};

const FIGURES: Readonly<Record<SavedFigure, string>> = {
  work: 'least work',
  end: 'earliest end',
  coats: 'fewest coats',
  tape: 'least tape',
  risk: 'least show edge to go wrong',
  paint: 'least paint',
};

export const REASON_WORDS: WordsOf<ReasonMessages> = {
  'reason.one-colour': () => 'One colour: there is nothing to order.',
  'reason.only-one': () => 'The only order that was asked for.',
  'reason.saves-coats': ({ finish, before, coats, instead }) =>
    `${finish} before ${before}: ${countText(coats, 'coat')} here, over that ${instead}.`,
  'reason.least': ({ of }) => `${sentence(of.map((figure) => FIGURES[figure]).join(', '))}.`,
  'reason.strip': () => 'The gun is stripped down after the flakes.',
  'reason.together': () => 'Least of what is wanted, all taken together.',
  'reason.comparison': () => 'Shown for comparison: no better in anything counted here.',
};
