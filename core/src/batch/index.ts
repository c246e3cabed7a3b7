export * from './batch';
export type { BatchSays } from './says';
