export * from './edge-class';
export * from './mask';
