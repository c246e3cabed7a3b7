export * from './schemas';
export * from './summary';
