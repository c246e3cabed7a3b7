import type { Place } from '../curves';
import type { Design } from '../job';
import { firstItem, lastItem, type LineId, type PartId, roundNumbers } from '../kit';
import { type LineMessage, type SnapMessage, snapPoint, type TrimLine } from '../lines';
import { withHandle } from './handles';
import { newPartCache, type PartCache, setOutOnePart } from './part-cache';
import type { LinePoint } from './types';

/** A point of a line being dragged. */
export interface DragRequest {
  readonly part: PartId;
  readonly line: LineId;
  /** Which measurement is dragged, as handlesOf names it. */
  readonly key: string;
  /** Where the finger is, mm on the sheet as drawn. */
  readonly place: Place;
  readonly reachMm: number;
  readonly tapes: readonly number[];
}

/** What comes of it: the changed line with its strokes, and what the point was drawn to. */
export interface DragResult {
  readonly line: TrimLine;
  readonly place: Place;
  readonly snap: SnapMessage | null;
  readonly pieces: readonly (readonly LinePoint[])[];
  readonly fault: LineMessage | null;
}

/**
 * Computes where a dragged point goes, and the resulting line.
 * @returns null if there is no such line
 */
export function applyDrag(
  parts: Design['parts'],
  { part, line: lineId, key, place, reachMm, tapes }: DragRequest,
  store: PartCache = newPartCache(),
): DragResult | null {
  const ownPart = parts.find(({ id }) => id === part);
  const line = ownPart?.lines.find(({ id }) => id === lineId);
  const setOut = setOutOnePart(parts, part, store);
  if (!ownPart || !line || !setOut) return null;
  const finger = { x: place[0], y: place[1] };
  const others = setOut.lines.filter(({ owner }) => owner !== lineId).map(({ code, pieces }) => ({ code, pieces }));
  const { board } = setOut;
  const targets = {
    skin: board.drawn,
    datums: board.mirrored ? [] : board.shape.datums,
    lines: others,
    tapes,
    anchor: anchorOf(line, key, setOut.lines.find(({ owner }) => owner === lineId)?.path ?? null),
  };
  const snap = snapPoint(finger, targets, reachMm);
  const placed = snap?.place ?? finger;
  const changed = withHandle(line, key, placed, setOut);
  const strokes = setOutOnePart(
    parts.map((otherPart) =>
      otherPart.id === part
        ? { ...otherPart, lines: otherPart.lines.map((other) => (other.id === lineId ? changed : other)) }
        : otherPart,
    ),
    part,
    store,
  )?.lines.filter(({ owner }) => owner === lineId);
  return {
    line: changed,
    place: [placed.x, placed.y],
    snap: snap?.to ?? null,
    pieces: roundNumbers(
      (strokes ?? []).flatMap(({ pieces }) =>
        pieces.map((piece) => piece.map(({ x, y, at: along }): LinePoint => [x, y, along])),
      ),
      3,
    ),
    fault: strokes?.[0]?.fault ?? null,
  };
}

/** The other end of a straight line, seen from the one that is dragged. */
function anchorOf(line: TrimLine, key: string, path: readonly { readonly x: number; readonly y: number }[] | null) {
  if (line.kind !== 'straight' || !path) return null;
  return key === 'from' ? lastItem(path) : firstItem(path);
}
