import { changeOwnPiece, type OwnItem } from '@lintrel/core';
import { useEffect, useState } from 'react';
import type { CanvasDrag, CanvasHandle } from '@/drawing/Canvas';
import { useJob } from '@/job/JobContext';

/** An end of a piece where the finger has it. */
interface LiveEnd {
  readonly end: 'from' | 'to';
  readonly place: readonly [number, number];
}

/** Lets both ends of a piece of one's own be dragged, to whole millimetres. */
export function useOwnDrag(item: OwnItem | null): { handles: readonly CanvasHandle[]; live: LiveEnd | null; onDrag: (drag: CanvasDrag) => void } {
  const { design, change } = useJob();
  const [live, setLive] = useState<LiveEnd | null>(null);
  useEffect(() => setLive(null), [design]);
  if (!item) return { handles: [], live: null, onDrag: () => undefined };
  const places = { from: item.fromPlace, to: item.toPlace };
  const handles = (['from', 'to'] as const).map((key) => ({ key, place: live?.end === key ? live.place : places[key] }));
  const onDrag = ({ key, place, phase }: CanvasDrag) => {
    const end = key as LiveEnd['end'];
    const whole: [number, number] = [Math.round(place[0]), Math.round(place[1])];
    setLive({ end, place: whole });
    if (phase === 'end') void change((now) => changeOwnPiece(now, item.piece, { [end]: whole }), { code: 'edit.own-changed', values: {} });
  };
  return { handles, live, onDrag };
}
