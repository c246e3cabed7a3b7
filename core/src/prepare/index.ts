export * from './abrading';
export * from './bare';
export * from './cleaner';
export * from './preparation';
