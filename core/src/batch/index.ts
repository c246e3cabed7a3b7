export * from './batch';
export * from './section-cycle';
export type { BatchMessages } from './messages';
