export * from './climate';
export * from './dew';
export * from './rate';
export * from './window';
