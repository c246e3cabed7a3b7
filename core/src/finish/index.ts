export * from './card';
export * from './catalogue';
export * from './finish';
export * from './hiding';
export * from './ladder';
export * from './layer';
export * from './mix';
export * from './system';
