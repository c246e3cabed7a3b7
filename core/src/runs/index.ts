export * from './choose';
export * from './edge-runs';
export * from './stage-runs';
export * from './technique';
export * from './says';
