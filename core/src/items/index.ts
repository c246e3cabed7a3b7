export * from './stock-use';
export { isLine, isOpeningTape, itemsIn, linesIn, itemsLyingIn, masksOn, plugsIn, sheetLine, tapeNeeds } from './lists';
export { COVER_MATERIAL } from './own-pieces';
export { type StageItems, itemsOf } from './items';
export { removalStage, sessionsOf } from './item-frame';
export { withLiesOver } from './lies-over';
export { inLayingOrder, plugsByPart, backingOf, withBacking, listsOf, isTape } from './lists';
export { leaksOf } from './leaks';
