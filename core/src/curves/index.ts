export * from './arc';
export * from './chain';
export * from './circle';
export * from './path';
export * from './point';
export * from './sampled';
export * from './spline';
export * from './straight';
