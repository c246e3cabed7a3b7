export * from './bend';
export * from './catalogue';
export * from './dome';
export * from './facets';
export * from './fit';
export * from './supply';
export * from './tape';
