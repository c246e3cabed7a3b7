export * from './stage';
export * from './stage-cost';
export * from './score';
export { plugMinOf, unplugMinOf } from './openings';
export { onePersonOrder, edgeKey, sectionsFor } from './sections';
export * from './progress';
export * from './problem';
export * from './compatibility-cost';
export { isPastWindow } from './mask-removal';
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
  dripPapers,
  formOf,
  type Cover,
  type EdgeCost,
  type EdgeForm,
} from './mask-cost';
export { filmTimes, marksOfFilm, marksOfPresent, memoizedCoats } from './film-times';
export * from './coating';
export { temporaryAreas } from './layer-stage';
