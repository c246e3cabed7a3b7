import { changeOwnPiece, type OwnItem, type Place, withPiecePoint } from '@lintrel/core';
import { useEffect, useState } from 'react';
import type { CanvasDrag, CanvasHandle } from '@/drawing/Canvas';
import { placesOf } from '@/drawing/OwnShapes';
import { useJob } from '@/job/JobContext';

/** One of the places of a piece where the finger has it. */
export interface LivePlace {
  readonly index: number;
  readonly place: Place;
}

/** Makes the corners of a manual piece draggable, to whole millimetres. */
export function useOwnDrag(item: OwnItem | null): {
  handles: readonly CanvasHandle[];
  live: LivePlace | null;
  onDrag: (drag: CanvasDrag) => void;
} {
  const { design, change } = useJob();
  const [live, setLive] = useState<LivePlace | null>(null);
  useEffect(() => setLive(null), [design]);
  if (!item) return { handles: [], live: null, onDrag: () => undefined };
  const handles = placesOf(item, live).map((place, index) => ({ key: String(index), place }));
  const onDrag = ({ key, place, phase }: CanvasDrag) => {
    const index = Number(key);
    const whole: Place = [Math.round(place[0]), Math.round(place[1])];
    setLive({ index, place: whole });
    if (phase !== 'end') return;
    void change(
      (now) => {
        const piece = now.choices.ownPieces?.find(({ id }) => id === item.piece);
        return piece ? changeOwnPiece(now, item.piece, withPiecePoint(piece, index, whole)) : now;
      },
      { code: 'edit.own-changed', values: {} },
    );
  };
  return { handles, live, onDrag };
}
