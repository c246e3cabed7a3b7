export * from './marks';
export * from './over';
export * from './says';
