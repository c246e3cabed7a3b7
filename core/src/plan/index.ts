export * from './carry';
export * from './fits';
export * from './plan';
export type * from './types';
