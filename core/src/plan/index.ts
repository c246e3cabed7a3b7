export { isLine, itemsIn, linesIn, lyingIn, masksOn, sheetLine } from './lists';
export { orderProblem } from './order-problem';
export * from './plan';
export type { Broken, BrokenSays } from './broken';
export * from './plan-faults';
export * from './says';
export type * from './item-types';
export type * from './types';
export * from './wishes';
