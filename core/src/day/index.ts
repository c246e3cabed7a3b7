export * from './shop-day';
export * from './tasks';
export * from './plan-day';
export type { DaySays } from './says';
