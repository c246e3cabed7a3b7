export * from './window';
export * from './film';
export * from './risk';
export * from './service';
export * from './pot-life';
