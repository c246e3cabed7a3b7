export * from './check';
export * from './design';
export * from './fault';
export * from './part';
export * from './edge-context';
export * from './shelf';
export * from './shelf-fingerprint';
export * from './messages';
