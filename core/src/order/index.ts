export * from './problem';
export * from './reason';
export * from './search';
export * from './stage-cost';
