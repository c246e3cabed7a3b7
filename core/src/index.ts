// The doors of all rooms, in the order of the work.
export * from './units';
export * from './tape';
export * from './finish';
export * from './drying';
export * from './over';
export * from './surface';
export * from './lines';
export * from './areas';
export * from './job';
export * from './masking';
export * from './order';
export * from './runs';
export * from './log';
export * from './plan';
export * from './formats';
export * from './ask';
export * from './api';
