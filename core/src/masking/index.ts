export * from './beyond';
export * from './edge-class';
export * from './hold';
export * from './mask';
export * from './opening';
export * from './reach';
export * from './standing';
export * from './tape-test';
