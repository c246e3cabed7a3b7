export * from './marks';
export * from './over';
