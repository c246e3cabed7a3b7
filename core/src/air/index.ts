export * from './climate';
export * from './dew';
export * from './rate';
export * from './course';
export * from './passing';
export * from './heat';
export * from './air-trouble';
