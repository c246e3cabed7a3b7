export * from './batch';
export * from './heaps';
export type { BatchSays } from './says';
