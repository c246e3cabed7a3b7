import { distance, ringArea, pointFromPair } from '../curves';
import { pieceCorners, type Design, type OwnPiece, type Shelf, piecePoints } from '../job';
import {
  coverMin,
  edgeCost,
  NO_OWN_WORK,
  uncoverMin,
  type Cover,
  type OwnWork,
  type StageCost,
  type TapeEdge,
} from '../order';
import { isModelScale, RULE_OF_THUMB, type FinishId } from '../units';
import type { CommonFields, ItemNamer } from './item-frame';
import type { Item, OwnItem } from './item-types';
import type { StageSource } from './means';

/** What paper or film is called as the stuff of an item. */
export const COVER_MATERIAL = 'drape';

/** What one piece takes: work and stuff, all alike parts together. */
function pieceWork(
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
  const { layMin, pullMin, tapeM } = edgeCost(edge, false, model);
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

/** The pieces a person lays themselves in a stage; they come off with it. */
export function ownItems(
  { finish }: StageCost,
  { design, shelf }: StageSource,
  name: ItemNamer,
  common: CommonFields & Pick<Item, 'until'>,
): OwnItem[] {
  return (design.choices.ownPieces ?? [])
    .filter((piece) => piece.finish === finish)
    .map((piece, place): OwnItem => {
      const { layMin, offMin, lengthMm, drapeM2 } = pieceWork(piece, design);
      const tape = tapeOf(piece, shelf);
      return {
        ...common,
        id: name(piece.part, 'own', piece.id),
        kind: 'own',
        code: `H${place + 1}`,
        part: piece.part,
        piece: piece.id,
        fromPlace: piece.from,
        toPlace: piece.to,
        byPlaces: piece.by ?? [],
        note: piece.note,
        count: design.parts.find(({ id }) => id === piece.part)?.count ?? 0,
        material: piece.tape === null ? COVER_MATERIAL : (tape?.code ?? null),
        tapeKind: tape?.kind ?? null,
        widthMm: tape?.widthMm ?? 0,
        lengthMm,
        sizeM2: drapeM2,
        techniques: [],
        doubts: piece.tape !== null && !tape ? [{ code: 'doubt.not-there', values: { tape: piece.tape } }] : [],
        after: [],
        layMin,
        pullMin: offMin,
      };
    });
}

const tapeOf = ({ tape }: OwnPiece, { tapes }: Shelf) => tapes.find(({ code }) => code === tape);
