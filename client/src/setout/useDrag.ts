import { type DragResult, type PartPlan, type Place, type Shelf, withLine } from '@lintrel/core';
import { useEffect, useRef, useState } from 'react';
import type { CanvasDrag } from '@/drawing/Canvas';
import { useJob } from '@/job/JobContext';
import { session } from '@/worker/jobSession';
import { useView } from '@/worker/useSession';

/** Widths that lines are set side by side with. */
const crispWidths = ({ tapes }: Shelf): number[] =>
  tapes.filter(({ edge }) => edge === 'crisp').map(({ widthMm }) => widthMm);

/** A finger draws to what is this near, dp. */
const SNAP_DP = 12;

/** Dragging the measured points of one line: handles, and the line as it would be. */
export interface Dragging {
  readonly handles: readonly { readonly key: string; readonly place: Place }[];
  readonly live: DragResult | null;
  readonly onDrag: (drag: CanvasDrag) => void;
}

/**
 * Makes the measured points of a line draggable. The worker computes the new point and line; only the newest
 * position is sent, so that nothing queues up.
 * @param lineId line of the list; null, or a locked one, has no handles
 */
export function useDrag(part: PartPlan | null, lineId: string | null): Dragging {
  const { design, shelf, change } = useJob();
  const trimLine = design.parts.find(({ id }) => id === part?.id)?.lines.find(({ id }) => id === lineId) ?? null;
  const free = part !== null && trimLine !== null && !trimLine.locked;
  const { output } = useView('handles', free ? { part: part.id, line: trimLine.id } : null);
  const [live, setLive] = useState<DragResult | null>(null);
  const waiting = useRef<CanvasDrag | null>(null);
  const busy = useRef(false);
  // What is shown live gives way to the design once that has followed.
  useEffect(() => setLive(null), [design]);
  async function next(): Promise<void> {
    const drag = waiting.current;
    if (!drag || busy.current || !part || !trimLine) return;
    waiting.current = null;
    busy.current = true;
    const result = await session
      .drag({
        part: part.id,
        line: trimLine.id,
        key: drag.key,
        place: drag.place,
        reachMm: SNAP_DP * drag.mmPerDp,
        tapes: crispWidths(shelf),
      })
      .catch(() => null)
      .finally(() => (busy.current = false));
    setLive(result);
    if (drag.phase === 'end' && result) {
      const moved =
        !result.fault &&
        (await change((now) => withLine(now, part.id, result.line), {
          code: 'edit.line-moved',
          values: { name: trimLine.name },
        }));
      if (!moved) setLive(null);
      return;
    }
    void next();
  }
  const onDrag = (drag: CanvasDrag) => {
    waiting.current = drag;
    void next();
  };
  const handles = (free ? (output ?? []) : []).map((handle) =>
    live && waiting.current?.key === handle.key ? { ...handle, place: live.place } : handle,
  );
  return { handles, live, onDrag };
}
