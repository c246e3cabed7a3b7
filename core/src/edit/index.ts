export * from './area-choices';
export * from './carry';
