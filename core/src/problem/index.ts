export { jobProblem, orderProblem } from './order-problem';
export { type StageSource, maskingMeans } from './masking-means';
export { edgeNameOf, maskedSurroundingsOf, type SurroundingsPlace, surroundingsOfPart } from './surroundings';
export { chosenWay, openingClosings, openingsOn } from './closings';
export { placeOfArea, partOffsets } from './part-offsets';
export { pieceWork } from './own-work';
