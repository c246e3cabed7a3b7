export * from './surroundings';
export * from './edge-class';
export * from './hold';
export * from './mask';
export * from './opening';
export * from './reach';
export * from './mask-state';
export * from './tape-test';
