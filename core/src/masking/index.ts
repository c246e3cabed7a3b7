export * from './edge-class';
export * from './mask';
export * from './reach';
export * from './standing';
