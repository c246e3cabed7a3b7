export * from './coating';
export { preferredFirst, preferenceRank, type PreferenceRank } from './calm';
export { filmTimes, memoizedCoats } from './drying-of';
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
export { gunOf, mixAgainMinutes, mixMinutes, usesGun } from './gun';
export * from './lasting';
export { lotsOf, type LotShares } from './lots';
export { isPastWindow, type EarlyPull } from './masks-off';
export * from './order-cost';
export * from './over-cost';
export * from './problem';
export * from './progress';
export * from './reason';
export * from './rules';
export * from './says';
export { onePersonOrder, edgeKey, sectionsFor, type StageSection, type StageSections } from './sections';
export * from './score';
export * from './search';
export * from './stage-cost';
