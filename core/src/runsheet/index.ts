export { isFrozenPlan } from './frozen-plan';
export * from './work-sheet';
export * from './work-sort';
export * from './step';
