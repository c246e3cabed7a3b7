export * from './problem';
export * from './solve';
export * from './check';
export * from './latest';
export * from './binding';
export * from './infeasible';
export type { Decisions } from './tables';
