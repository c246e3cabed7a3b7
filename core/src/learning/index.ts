export * from './observation';
export * from './factor';
export * from './minutes';
