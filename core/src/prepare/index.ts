export * from './abrading';
export * from './cleaner';
export * from './preparation';
