export * from './event';
export * from './shop-air';
export * from './progress';
export * from './late';
export * from './booth';
export * from './step';
export * from './sheet';
export * from './written';
export { isFrozenPlan } from './frozen';
