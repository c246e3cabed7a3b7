import { areaFinder } from '../areas';
import type { LineItem, Plan, StagePlan } from '../contract';
import { boundingBox, type Place } from '../curves';
import { isLine, itemsLyingIn } from '../items';
import { TOLERANCE } from '../kit';
import { outlineOf, type PartPlan } from '../setout';

/** A stroke of the gun, on the sheet, mm. */
export interface SprayArrow {
  readonly from: Place;
  readonly to: Place;
}

/** Approximate number of arrows across a part: enough to see the direction, few enough to read. */
const ACROSS = 9;
/** An arrow is as long as this share of the grid. */
const LENGTH = 0.55;

interface TapedEdge {
  readonly at: Place;
  /** From the covered side to the open one, a unit. */
  readonly away: Place;
}

/**
 * Which way to spray: over the tape edges towards the bare side, never into one. Far from any edge the way is free and none is drawn
 * where it would run into an edge further on.
 */
export function sprayArrows(plan: Plan, part: PartPlan, stage: StagePlan): SprayArrow[] {
  const open = new Set(
    (stage.pictures.find((picture) => picture.part === part.id)?.areas ?? [])
      .filter((area) => area.open)
      .map(({ code }) => code),
  );
  if (open.size === 0) return [];
  const edges = edgesOf(part, itemsLyingIn(plan.items, stage).filter(isLine));
  if (edges.length === 0) return [];
  const box = boundingBox(part.ring.map(([x, y]) => ({ x, y })));
  const step = Math.max(box.maxX - box.minX, box.maxY - box.minY) / ACROSS;
  const areaOf = areaFinder(part.areas.map(outlineOf));
  /** What a place is in this stage; off the part it is neither open nor covered. */
  const stateAt = ([x, y]: Place): 'open' | 'covered' | 'off' => {
    const area = areaOf({ x, y });
    return area < 0 ? 'off' : open.has(part.areas[area]!.code) ? 'open' : 'covered';
  };
  const arrows: SprayArrow[] = [];
  for (let x = box.minX + step / 2; x < box.maxX; x += step) {
    for (let y = box.minY + step / 2; y < box.maxY; y += step) {
      if (stateAt([x, y]) !== 'open') continue;
      const arrow = arrowAt([x, y], edges, step * LENGTH);
      if (arrow && stateAt(arrow.to) === 'open' && stateAt(beyond(arrow)) !== 'covered' && !runsIntoEdge(arrow, edges))
        arrows.push(arrow);
    }
  }
  return arrows;
}

/** Where the gun would be next if it went on. */
const beyond = ({ from, to }: SprayArrow): Place => [to[0] + (to[0] - from[0]) / 2, to[1] + (to[1] - from[1]) / 2];

/** Places along the tape edges of a stage, with the way off the tape. */
function edgesOf(part: PartPlan, lines: readonly LineItem[]): TapedEdge[] {
  return lines
    .filter((run) => run.part === part.id)
    .flatMap((run) => {
      const pieces = part.lines.find(({ id }) => id === run.line)?.pieces ?? [];
      return pieces.flatMap((piece) =>
        piece.slice(1).flatMap(([x2, y2, at], index): TapedEdge[] => {
          const [x1, y1] = piece[index]!;
          const length = Math.hypot(x2 - x1, y2 - y1);
          if (length === 0 || at < run.from || at > run.to) return [];
          const sign = run.side === 'left' ? 1 : -1;
          return [
            { at: [(x1 + x2) / 2, (y1 + y2) / 2], away: [(sign * (y2 - y1)) / length, (-sign * (x2 - x1)) / length] },
          ];
        }),
      );
    });
}

/** Away from the edges round about, the nearest counting most. */
function arrowAt(place: Place, edges: readonly TapedEdge[], length: number): SprayArrow | null {
  let [ax, ay] = [0, 0];
  for (const { at, away } of edges) {
    const near = 1 / Math.max(1, (at[0] - place[0]) ** 2 + (at[1] - place[1]) ** 2);
    ax += away[0] * near;
    ay += away[1] * near;
  }
  const size = Math.hypot(ax, ay);
  if (size === 0) return null;
  const [dx, dy] = [(ax / size) * (length / 2), (ay / size) * (length / 2)];
  return { from: [place[0] - dx, place[1] - dy], to: [place[0] + dx, place[1] + dy] };
}

/** True where going on along the arrow meets a tape edge from its open side. */
export function runsIntoEdge({ from, to }: SprayArrow, edges: readonly TapedEdge[]): boolean {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const reach = Math.hypot(dx, dy);
  return edges.some(({ at, away }) => {
    const near = Math.hypot(at[0] - to[0], at[1] - to[1]) < reach;
    return near && dx * away[0] + dy * away[1] < -TOLERANCE.rounding * reach;
  });
}
