export type { AnswerWords } from './ask';
export * from './codes';
export * from './english/names';
export type { StationWords } from './english/files';
export { listedPhrase, phrase, phrases, countPhrase, withoutMarks } from './phrase';
export { countText, listText, sentence } from './table';
export * from './formatter';
export * from './words';
