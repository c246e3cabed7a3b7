export * from './window';
export * from './over-air';
export * from './risk';
export * from './service';
