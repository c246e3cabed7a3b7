import { areaFinder } from '../areas';
import type { Path, Place, Point } from '../curves';
import type { Design, Shelf } from '../job';
import { firstItem, firstTwo, type LineId, type PartId, roundNumbers, TOLERANCE } from '../kit';
import { type PartFrame, pointOnPiece, VIEW_AXES, type ViewName } from '../lines';
import { type PartCache, type PartWork, workOutParts } from '../setout';
import { cross, dot, type SkinFacets, type SpacePoint, unitVector } from '../surface';

/** View point of the whole piece. */
export type ViewPoint =
  | { readonly view: ViewName }
  /** Degrees round to the left from the side one sees first, and up from level. */
  | { readonly turnDeg: number; readonly riseDeg: number };

/** A patch of paint as seen, mm across and up. */
interface PicturePatch {
  readonly part: PartId;
  readonly colour: string;
  readonly points: readonly Place[];
  /** True where one sees the back of it. */
  readonly back: boolean;
}

/** The whole piece as seen from somewhere: patches from the farthest to the nearest, lines on top. */
export interface Picture {
  readonly patches: readonly PicturePatch[];
  readonly lines: readonly { readonly part: PartId; readonly line: LineId; readonly points: readonly Place[] }[];
  /** Outlines of the parts. */
  readonly rims: readonly { readonly part: PartId; readonly points: readonly Place[] }[];
  readonly box: { readonly minX: number; readonly minY: number; readonly maxX: number; readonly maxY: number };
}

interface Eye {
  readonly into: SpacePoint;
  readonly across: SpacePoint;
  readonly up: SpacePoint;
}

/** Facets a round or folded part is drawn with, round and along. */
const ROUND = 60;
const ALONG = 48;

/** Draws the whole piece from its parts, from their real geometry. */
export function drawPiece(design: Design, shelf: Shelf, look: ViewPoint, store?: PartCache): Picture {
  const works = workOutParts(design, store);
  const eye = eyeOf(look);
  const colours = new Map(shelf.finishes.map(({ id, colour }) => [id, colour]));
  const patches = works.flatMap((work) => patchesOf(work, eye, colours)).sort((a, b) => b.depth - a.depth);
  const lines = works.flatMap((work) =>
    work.lines.flatMap(({ id, pieces }) =>
      pieces.flatMap((piece) =>
        seenRuns(piece, work.setOut.board, eye).map((points) => ({ part: work.part.id, line: id, points })),
      ),
    ),
  );
  const rims = works.flatMap((work) => rimsOf(work, eye));
  const places = [...patches.flatMap(({ points }) => points), ...rims.flatMap(({ points }) => points)];
  const box = places.reduce(
    (all, [x, y]) => ({
      minX: Math.min(all.minX, x),
      minY: Math.min(all.minY, y),
      maxX: Math.max(all.maxX, x),
      maxY: Math.max(all.maxY, y),
    }),
    { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity },
  );
  const sound = places.length > 0 ? box : { minX: 0, minY: 0, maxX: 1, maxY: 1 };
  return roundNumbers({ patches: patches.map(({ depth: _, ...patch }) => patch), lines, rims, box: sound }, 2);
}

function eyeOf(look: ViewPoint): Eye {
  if ('view' in look) return VIEW_AXES[look.view];
  const [turn, rise] = firstTwo([look.turnDeg, look.riseDeg].map((degrees) => (degrees * Math.PI) / 180));
  const into = { x: -Math.sin(turn) * Math.cos(rise), y: Math.cos(turn) * Math.cos(rise), z: -Math.sin(rise) };
  const across = unitVector(cross(into, { x: 0, y: 0, z: 1 }));
  return { into, across, up: cross(across, into) };
}

const seen = (point: SpacePoint, { across, up }: Eye): Place => [dot(point, across), dot(point, up)];

type Patch = PicturePatch & { readonly depth: number };

function patchesOf(work: PartWork, eye: Eye, colours: ReadonlyMap<string, string>): Patch[] {
  const { board } = work.setOut;
  const colourOf = (area: number): string => {
    const finish = work.finishes[area];
    return (finish && colours.get(finish)) || work.presents[area]!.colour;
  };
  const { facets, seam } = board.drawn;
  if (!facets)
    return work.arrangement.areas.flatMap(({ rings }, area) => flatPatches(work, rings, colourOf(area), eye));
  return cellsOf(work, facets).flatMap(({ corners, middle, area }) => {
    const { at, out } = pointOnPiece(board, middle);
    const back = dot(out, eye.into) >= 0;
    // The inside of a closed part is never seen.
    if (back && seam) return [];
    return [
      {
        part: work.part.id,
        colour: colourOf(area),
        back,
        points: corners.map((corner) => seen(pointOnPiece(board, corner).at, eye)),
        depth: dot(at, eye.into),
      },
    ];
  });
}

/** A flat area with holes as one polygon, cut open from the outline to each hole. */
function flatPatches(
  { part, setOut }: PartWork,
  rings: readonly (readonly Point[])[],
  colour: string,
  eye: Eye,
): Patch[] {
  const [rim, holes] = [firstItem(rings), rings.slice(1)];
  const joined = holes.reduce<readonly Point[]>((outer, hole) => bridged(outer, hole), rim);
  const middle = rim.reduce((sum, { x, y }) => ({ x: sum.x + x / rim.length, y: sum.y + y / rim.length }), {
    x: 0,
    y: 0,
  });
  const { at, out } = pointOnPiece(setOut.board, middle);
  const back = dot(out, eye.into) >= -TOLERANCE.rounding;
  return [
    {
      part: part.id,
      colour,
      back,
      points: joined.map((place) => seen(pointOnPiece(setOut.board, place).at, eye)),
      depth: dot(at, eye.into),
    },
  ];
}

function bridged(outer: readonly Point[], hole: readonly Point[]): Point[] {
  const from = hole[0]!;
  const nearest = outer.reduce(
    (best, place, index) =>
      Math.hypot(place.x - from.x, place.y - from.y) < Math.hypot(outer[best]!.x - from.x, outer[best]!.y - from.y)
        ? index
        : best,
    0,
  );
  return [...outer.slice(0, nearest + 1), ...hole, from, ...outer.slice(nearest)];
}

interface Cell {
  readonly corners: readonly Point[];
  readonly middle: Point;
  readonly area: number;
}

/** Small facets of a round or folded part; neighbours of one area along the part are one. */
function cellsOf(work: PartWork, { placeAt, holds, long }: SkinFacets): Cell[] {
  const areaOf = areaFinder(work.arrangement.areas);
  const cells: Cell[] = [];
  for (let row = 0; row < ROUND; row++) {
    let open: { from: number; area: number } | null = null;
    const close = (to: number) => {
      if (!open || open.area < 0) return;
      const [u0, u1, v0, v1] = [open.from / ALONG, to / ALONG, row / ROUND, (row + 1) / ROUND];
      // A long facet follows the curve of the profile along its sides.
      const steps = Array.from({ length: to - open.from + 1 }, (_, index) => (open as { from: number }).from + index);
      const corners = [
        ...steps.map((step) => placeAt(step / ALONG, v0)),
        ...steps.reverse().map((step) => placeAt(step / ALONG, v1)),
      ];
      cells.push({ corners, middle: placeAt((u0 + u1) / 2, (v0 + v1) / 2), area: open.area });
    };
    for (let column = 0; column < ALONG; column++) {
      const middle = placeAt((column + 0.5) / ALONG, (row + 0.5) / ROUND);
      const area = holds(middle) ? areaOf(middle) : -1;
      if (open && (open.area !== area || !long)) {
        close(column);
        open = null;
      }
      open ??= { from: column, area };
    }
    close(ALONG);
  }
  return cells;
}

/** Stretches of a line on the side one sees. */
function seenRuns(piece: Path, board: PartFrame, eye: Eye): Place[][] {
  const runs: Place[][] = [];
  let open = false;
  const every = Math.max(1, Math.floor(piece.length / 80));
  piece.forEach((point, index) => {
    if (index % every !== 0 && index !== piece.length - 1) return;
    const { at, out } = pointOnPiece(board, point);
    if (dot(out, eye.into) > TOLERANCE.rounding) {
      open = false;
      return;
    }
    if (!open) runs.push([]);
    runs.at(-1)!.push(seen(at, eye));
    open = true;
  });
  return runs.filter((run) => run.length > 1);
}

const rimsOf = ({ part, setOut: { board } }: PartWork, eye: Eye): Picture['rims'] =>
  board.drawn
    .shownRims()
    .map((rim) => ({ part: part.id, points: rim.map((place) => seen(pointOnPiece(board, place).at, eye)) }));
