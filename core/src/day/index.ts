export * from './shop-day';
export * from './tasks';
export * from './plan-day';
export * from './kept-order';
export type { GunConflict } from './gun';
export * from './observed';
export * from './took';
export type { DayMessages } from './says';
export * from './work-air';
