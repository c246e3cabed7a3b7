export * from './humidity';
export * from './length';
export * from './minutes';
export * from './decimal-comma';
export * from './number';
export * from './temperature';
