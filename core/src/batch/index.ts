export * from './batch';
export * from './heaps';
export type { BatchMessages } from './says';
