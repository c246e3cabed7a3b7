export * from './event';
export * from './shop-air';
export * from './progress';
export * from './windows';
export * from './remedy';
export * from './booth';
export * from './planned-log';
