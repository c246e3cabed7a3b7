// Narrow entry for what is loaded first: units, the log, the list of jobs; nothing of geometry, colours or planning.
export * from './kit';
export * from './units';
export * from './runsheet';
export * from './log';
export * from './api/summary';
export * from './api/day';
export * from './api/air';
export * from './api/work';
export * from './api/people';
export { isSprayed } from './finish/finish';
