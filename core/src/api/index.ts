export * from './cutter';
export * from './schemas';
export * from './summary';
export * from './work';
export * from './people';
export * from './day';
export * from './shop-day';
export * from './air';
