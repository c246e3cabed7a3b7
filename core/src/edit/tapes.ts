import { distance, type Place, pointFromPair } from '../curves';
import type { PullTiming } from '../finish';
import {
  type ClosingPin,
  type Design,
  type DesignChoices,
  type LayersPin,
  type OwnPiece,
  pieceCorners,
  piecePoints,
  type TapePin,
} from '../job';
import { maxOf, type OwnPieceId, type TapeCode, unusedId } from '../kit';

type Lists = Pick<DesignChoices, 'tapes' | 'notTapes' | 'ownWays' | 'layers' | 'ownPieces' | 'pulls' | 'closings'>;

/** A design with another list of choices; an empty list is removed. */
function withChoices<K extends keyof Lists>(design: Design, key: K, list: NonNullable<Lists[K]>): Design {
  const choices: DesignChoices = { ...design.choices };
  delete choices[key];
  return { ...design, choices: list.length === 0 ? choices : { ...choices, [key]: list } };
}

/** Where a person chooses a tape: one side of a line, a line, or, with neither part nor line, all lines of the job. */
export type TapePlace = Omit<TapePin, 'tape'>;

/**
 * A design with a tape chosen for a place.
 * @param tape null: the plan chooses again
 */
export function pinTape(design: Design, place: TapePlace, tape: TapeCode | null): Design {
  const { tapes = [] } = design.choices;
  const rest = tapes.filter((other) => !isSamePlace(other, place));
  const next = tape === null ? rest : [...rest, { ...place, tape }];
  return withChoices(design, 'tapes', next);
}

/** A design in which a tape is not used, or is used again. */
export function forbidTape(design: Design, tape: TapeCode, forbidden: boolean): Design {
  const { notTapes = [] } = design.choices;
  const rest = notTapes.filter((code) => code !== tape);
  const next = forbidden ? [...rest, tape] : rest;
  return withChoices(design, 'notTapes', next);
}

/** A line of a part, or one side of it. */
export type EdgePlace = Required<Pick<TapePin, 'part' | 'line'>> & Pick<TapePin, 'side'>;

const isSamePlace = (tapePlace: TapePlace, { part, line, side }: TapePlace): boolean =>
  tapePlace.part === part && tapePlace.line === line && tapePlace.side === side;

/**
 * A design in which a person masks an edge their own way.
 * @param how what they do there; null: the plan masks it again
 */
export function setOwnWay(design: Design, place: EdgePlace, how: string | null): Design {
  const { ownWays = [] } = design.choices;
  const rest = ownWays.filter((ownWay) => !isSamePlace(ownWay, place));
  const next = how === null ? rest : [...rest, { ...place, how }];
  return withChoices(design, 'ownWays', next);
}

/**
 * A design in which line tape or backing lies below at a place.
 * @param first null: as the plan finds it
 */
export function setLayFirst(design: Design, place: TapePlace, first: LayersPin['first'] | null): Design {
  const { layers = [] } = design.choices;
  const rest = layers.filter((layer) => !isSamePlace(layer, place));
  const next = first === null ? rest : [...rest, { ...place, first }];
  return withChoices(design, 'layers', next);
}

/**
 * A design in which a line has its own pull timing.
 * @param school null: the timing of the rest of its mask
 */
export function setPullTiming(
  design: Design,
  { part, line }: Pick<EdgePlace, 'part' | 'line'>,
  school: PullTiming | null,
): Design {
  const { pulls = [] } = design.choices;
  const rest = pulls.filter((pull) => pull.part !== part || pull.line !== line);
  return withChoices(design, 'pulls', school === null ? rest : [...rest, { part, line, school }]);
}

/**
 * A design in which an opening is closed in a way.
 * @param by null: as is usual
 */
export function setClosing(
  design: Design,
  { part, opening }: Pick<ClosingPin, 'part' | 'opening'>,
  by: ClosingPin['by'] | null,
): Design {
  const { closings = [] } = design.choices;
  const rest = closings.filter((pin) => pin.part !== part || pin.opening !== opening);
  return withChoices(design, 'closings', by === null ? rest : [...rest, { part, opening, by }]);
}

/** A design with one more manual piece, under a new id. */
export function addOwnPiece(design: Design, piece: Omit<OwnPiece, 'id'>): Design {
  const { ownPieces = [] } = design.choices;
  const id = unusedId(
    'own',
    ownPieces.map((ownPiece) => ownPiece.id),
  ) as OwnPieceId;
  return withChoices(design, 'ownPieces', [...ownPieces, { ...piece, id }]);
}

/**
 * A design with a piece a person lays changed.
 * @param change null: it is left out
 */
export function changeOwnPiece(design: Design, id: OwnPieceId, change: Partial<Omit<OwnPiece, 'id'>> | null): Design {
  const { ownPieces = [] } = design.choices;
  const next = ownPieces.flatMap((piece) =>
    piece.id !== id ? [piece] : change === null ? [] : [{ ...piece, ...change }],
  );
  return withChoices(design, 'ownPieces', next);
}

type Way = Pick<OwnPiece, 'from' | 'by' | 'to'>;

/** The same as a way of a piece; at least two places. */
const asWay = (places: readonly Place[]): Way => ({
  from: places[0]!,
  by: places.length > 2 ? places.slice(1, -1) : undefined,
  to: places.at(-1)!,
});

/** A piece with one of the places it goes by elsewhere. */
export const withPiecePoint = (piece: Way, index: number, place: Place): Way =>
  asWay(piecePoints(piece).map((old, pointIndex) => (pointIndex === index ? place : old)));

/** A piece with one more point, in the middle of its longest stretch; a rectangular cover becomes a polygon. */
export function withCorner(piece: Way & Pick<OwnPiece, 'tape'>): Way {
  if (piece.tape === null && piecePoints(piece).length === 2) return asWay(pieceCorners(piece));
  const places = piecePoints(piece);
  const lengths = places.slice(1).map((place, index) => distance(pointFromPair(places[index]!), pointFromPair(place)));
  const longest = lengths.indexOf(maxOf(lengths));
  const [a, b] = [places[longest]!, places[longest + 1]!];
  const middle: Place = [Math.round((a[0] + b[0]) / 2), Math.round((a[1] + b[1]) / 2)];
  return asWay([...places.slice(0, longest + 1), middle, ...places.slice(longest + 1)]);
}

/** A piece with the last of the places it goes by left out; a cover that is left with two of them is a box again. */
export const withoutCorner = (piece: Way): Way =>
  asWay(piecePoints(piece).filter((_, index, { length }) => index !== length - 2 || length === 2));
