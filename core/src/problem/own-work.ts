import { distance, pointFromPair, ringArea } from '../curves';
import { type Design, type OwnPiece, pieceCorners, piecePoints } from '../job';
import { type FinishId, isModelScale, RULE_OF_THUMB } from '../kit';
import { type Cover, coverMin, edgeCost, NO_OWN_WORK, type OwnWork, type TapeEdge, uncoverMin } from '../stage';

/** Work and material of one piece, all equal parts together. */
export function pieceWork(
  piece: OwnPiece,
  { parts, scale }: Pick<Design, 'parts' | 'scale'>,
): OwnWork & { readonly lengthMm: number } {
  const count = parts.find((part) => part.id === piece.part)?.count ?? 0;
  const model = isModelScale(scale);
  if (piece.tape === null) {
    const drape: Cover = {
      sizeM2: (Math.abs(ringArea(pieceCorners(piece).map(pointFromPair))) / 1e6) * count,
      pieces: count,
      bagM2: 0,
    };
    return { layMin: coverMin(drape), offMin: uncoverMin(drape), tapeM: 0, drapeM2: drape.sizeM2, lengthMm: 0 };
  }
  const way = piecePoints(piece).map(pointFromPair);
  const alongMm = way.slice(1).reduce((sum, place, index) => sum + distance(way[index]!, place), 0);
  const lengthMm = alongMm + 2 * (model ? RULE_OF_THUMB.tail.model : RULE_OF_THUMB.tail.full);
  const edge: TapeEdge = {
    lengthM: (lengthMm / 1000) * count,
    pieces: count,
    setOutMin: 0,
    corners: (way.length - 2) * count,
    bend: 'straight',
    sealM: 0,
  };
  const { layMin, pullMin, tapeM } = edgeCost(edge, { crisp: false, backed: false }, model);
  return { layMin, offMin: pullMin, tapeM, drapeM2: 0, lengthMm };
}

/** What a person lays themselves each time a finish is sprayed. */
export function ownWorkOf(design: Design): ReadonlyMap<FinishId, OwnWork> {
  const workOfFinish = new Map<FinishId, OwnWork>();
  for (const piece of design.choices.ownPieces ?? []) {
    const { layMin, offMin, tapeM, drapeM2 } = pieceWork(piece, design);
    const sum = workOfFinish.get(piece.finish) ?? NO_OWN_WORK;
    workOfFinish.set(piece.finish, {
      layMin: sum.layMin + layMin,
      offMin: sum.offMin + offMin,
      tapeM: sum.tapeM + tapeM,
      drapeM2: sum.drapeM2 + drapeM2,
    });
  }
  return workOfFinish;
}
