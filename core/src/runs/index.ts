export * from './backing';
export * from './choose';
export * from './cut-out';
export * from './edge-runs';
export * from './rim-run';
export * from './stage-runs';
export * from './technique';
export * from './says';
