import type { Item, OwnItem } from '../contract';
import type { OwnPiece, Shelf } from '../job';
import { pieceWork, type StageSource } from '../problem';
import type { StageCost } from '../stage';
import type { CommonFields, ItemNamer } from './item-frame';

/** Material code of an item made of paper or film. */
export const COVER_MATERIAL = 'drape';

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
