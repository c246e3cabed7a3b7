export * from './arrange';
export * from './borders';
export * from './find';
