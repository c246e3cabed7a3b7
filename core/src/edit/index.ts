export * from './area-choices';
export * from './carry';
export * from './choices';
export * from './lines';
export * from './parts';
export * from './schemes';
export * from './tapes';
export * from './messages';
