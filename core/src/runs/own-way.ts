import type { LineSide } from '../tape';
import type { LineId, PartId } from '../units';
import type { TapePlaced } from './pinned';

/** An edge a person masks their own way: a line of a part, or one side of it. */
export interface OwnWay {
  readonly part: PartId;
  readonly line: LineId;
  readonly side?: LineSide;
  /** What they do there; empty where they did not say. */
  readonly how: string;
}

/** How a person masks an edge by themselves, the nearest to it first; null where the plan does. */
export function ownWay(place: TapePlaced, ways: readonly OwnWay[]): OwnWay | null {
  const own = ways.filter(({ part, line, side }) => part === place.part && line === place.line && (side === undefined || side === place.side));
  return own.find(({ side }) => side !== undefined) ?? own[0] ?? null;
}
