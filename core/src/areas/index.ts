export * from './arrange';
export * from './borders';
export * from './carry';
export * from './find';
export * from './area-ids';
export * from './mirror';
export type { Area } from './measure';
