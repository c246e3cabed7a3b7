export { preferredFirst, preferenceRank } from './preferred-order';
export * from './kept-masks';
export * from './order-cost';
export * from './reason';
export * from './rules';
export * from './messages';
export * from './search';
