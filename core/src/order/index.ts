export * from './coating';
export { calmFirst, calmnessOf, type Calmness } from './calm';
export { filmTimes, rememberedCoats } from './drying-of';
export {
  drapeMin,
  drapeOver,
  dripPaper,
  edgeCost,
  NO_DRAPE,
  rememberedEdge,
  together,
  uncoverMin,
  wholeDrape,
  type Drape,
  type EdgeCost,
} from './mask-cost';
export { handsFor } from './pulling';
export { gunOf, usesGun } from './gun';
export * from './lasting';
export { pastWindow } from './masks-off';
export * from './order-cost';
export * from './over-cost';
export * from './problem';
export * from './progress';
export * from './reason';
export * from './rules';
export * from './says';
export * from './score';
export * from './search';
export * from './stage-cost';
