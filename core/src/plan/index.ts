export * from './plan';
export * from './aims';
