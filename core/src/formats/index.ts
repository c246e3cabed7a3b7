export * from './job-file';
export * from './merge-shelf';
