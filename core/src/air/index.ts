export * from './climate';
export * from './dew';
export * from './rate';
export * from './series';
export * from './elapsed';
export * from './heat';
export * from './air-trouble';
