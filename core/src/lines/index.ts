export * from './arc';
export * from './clip';
export * from './line';
export * from './parallel';
export * from './path';
export * from './resolve';
export * from './straight';
export * from './sweep';
