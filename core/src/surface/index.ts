export * from './datum';
export * from './point';
export * from './surface';
