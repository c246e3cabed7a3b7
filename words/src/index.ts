export type { AnswerWords } from './ask';
export * from './codes';
export type { StationWords } from './english/files';
export { counted, listed, sentence } from './table';
export * from './tongue';
export * from './words';
