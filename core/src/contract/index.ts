export type * from './plan';
export type * from './items';
export * from './messages';
