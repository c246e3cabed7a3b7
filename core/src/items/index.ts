export * from './stock-use';
export {
  backingOf,
  inLayingOrder,
  isLine,
  isOpeningTape,
  isTape,
  itemsIn,
  itemsLyingIn,
  linesIn,
  listsOf,
  masksOn,
  plugsByPart,
  plugsIn,
  sheetLine,
  tapeNeeds,
  liesLast,
} from './lists';
export { COVER_MATERIAL } from './own-pieces';
export { type StageItems, itemsOf } from './items';
export { removalStage, sessionsOf } from './item-frame';
export { withLiesOver } from './lies-over';
export { leaksOf } from './leaks';
export * from './rules-of-thumb';
