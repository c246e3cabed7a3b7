export * from './shop-day';
export * from './tasks';
export * from './plan-day';
export * from './kept-order';
export type { GunClash } from './gun';
export * from './observed';
export * from './took';
export type { DaySays } from './says';
export * from './work-air';
