// Second entry of core: files in and out. Separate from the first, so that screens do not load what only the server
// needs.
export * from './csv';
export * from './drawing';
export * from './dxf-in';
export * from './dxf-out';
export * from './from-drawing';
export * from './gores';
export * from './lay-pages';
export * from './masks';
export * from './nest';
export * from './page';
export * from './part-plot';
export * from './pdf';
export * from './print';
export type * from './messages';
export * from './svg-in';
export * from './svg-out';
export * from './tiles';
