export * from './shop-day';
export * from './tasks';
export * from './plan-day';
export * from './stored-order';
export type { GunConflict } from './gun-uses';
export * from './observed';
export * from './step-minutes';
export type { DayMessages } from './messages';
export * from './air-troubles';
