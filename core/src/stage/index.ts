export * from './stage';
export * from './stage-cost';
export * from './score';
export { onePersonOrder, edgeKey, sectionsFor } from './sections';
export * from './progress';
export * from './problem';
export * from './compatibility-cost';
export { isPastWindow } from './mask-removal';
export { lotsOf, type LotShares } from './lots';
export { gunOf, mixAgainMinutes, mixMinutes, usesGun } from './gun';
export {
  coverMin,
  coverOver,
  dripPaper,
  edgeCost,
  NO_COVER,
  memoizedEdgeCost,
  addCovers,
  uncoverMin,
  wholePartCover,
  type Cover,
  type EdgeCost,
} from './mask-cost';
export { filmTimes, memoizedCoats } from './film-times';
export * from './coating';
export { marksOfFilm, marksOfPresent } from './film-times';
export { temporaryAreas } from './layer-stage';
