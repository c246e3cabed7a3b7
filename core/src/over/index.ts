export * from './marks';
export * from './over';
export * from './pairs';
export * from './messages';
