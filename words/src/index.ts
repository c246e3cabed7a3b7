export * from './codes';
export * from './english/names';
export { listedPhrase, phrase, phrases, countPhrase, withoutMarks } from './phrase';
export { countText } from './table';
export * from './formatter';
export * from './words';
