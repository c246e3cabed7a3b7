export * from './check';
export * from './design';
export * from './fault';
export * from './part';
export * from './rim';
export * from './shelf';
export * from './shelf-mark';
export * from './says';
