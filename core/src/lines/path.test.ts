import {
  inflections,
  type Path,
  pathLength,
  pathSlice,
  type Point,
  pointAt,
  straightPath,
  tightestBend,
} from '../curves';
import { skinOf } from '../surface';
import { parallelPath } from './parallel';
import { sweepPath } from './sweep';
import { connectedPieces, extendEnds, piecesOnPart, trimRegion } from './trim';

const at = (x: number, y: number) => ({ x, y });
const line = straightPath(at(0, 50), at(100, 50)) as Path;
const SQUARE = [at(0, 0), at(100, 0), at(100, 100), at(0, 100)];
/** Two towers with a gap between them above y = 20. */
const TOWERS = [at(0, 0), at(100, 0), at(100, 100), at(70, 100), at(70, 20), at(30, 20), at(30, 100), at(0, 100)];
const skin = (ring: readonly Point[]) =>
  skinOf({ kind: 'flat', outline: { kind: 'polygon', points: ring.map(({ x, y }) => [x, y]) } });
const inside = (path: Path, ring: readonly Point[]) => piecesOnPart(path, trimRegion(skin(ring), []));
const BOTH = { start: true, end: true };
const spans = (pieces: readonly Path[]) =>
  pieces.map((piece) => [Math.round(piece[0]!.at), Math.round(piece.at(-1)!.at)]);

describe('places along a path', () => {
  it('lie between their neighbours, and at the ends beyond them', () => {
    expect(pointAt(line, 25)).toMatchObject({ x: 25, y: 50, at: 25 });
    expect([pointAt(line, -5).x, pointAt(line, 500).x]).toEqual([0, 100]);
  });
  it('bound a piece', () => {
    expect(spans([pathSlice(line, 20, 60) as Path])).toEqual([[20, 60]]);
    expect(spans([pathSlice(line, -20, 600) as Path])).toEqual([[0, 100]]);
    expect(pathSlice(line, 60, 60.0005)).toBeNull();
    expect(pathSlice(line, 200, 300)).toBeNull();
  });
  it('have no tightest bend and no change of bend on a straight', () =>
    expect([tightestBend(line), inflections(line)]).toEqual([null, []]));
  it('change their bend once in an S and twice in a wave', () => {
    expect(inflections(sweepPath([at(0, 0), at(100, 60), at(200, -60), at(300, 0)]) as Path)).toHaveLength(1);
    expect(inflections(sweepPath([at(0, 0), at(100, 60), at(200, -60), at(300, 60), at(400, 0)]) as Path)).toHaveLength(
      2,
    );
  });
});

describe('pieces on the part', () => {
  it('are cut at the outline', () => {
    const long = straightPath(at(-40, 50), at(160, 50)) as Path;
    expect(spans(inside(long, SQUARE))).toEqual([[40, 140]]);
  });
  it('are two where the line leaves the part and comes back', () =>
    expect(spans(inside(line, TOWERS))).toEqual([
      [0, 30],
      [70, 100],
    ]));
  it('are none beside the part', () => {
    const off = straightPath(at(0, 150), at(100, 150)) as Path;
    expect(inside(off, SQUARE)).toEqual([]);
  });
  it('end at the first edge when a line runs on', () => {
    const short = extendEnds(straightPath(at(5, 50), at(20, 50)) as Path, skin(TOWERS), BOTH);
    const span = { from: short.path[short.before]!.at, to: short.path[short.path.length - 1 - short.after]!.at };
    expect(connectedPieces(inside(short.path, TOWERS), span).map((piece) => Math.round(pathLength(piece)))).toEqual([
      30,
    ]);
  });
});

describe('running on', () => {
  it('goes straight from both ends and keeps the bend in between', () => {
    const sweep = sweepPath([at(20, 50), at(50, 60), at(80, 50)]) as Path;
    const longer = extendEnds(sweep, skin(SQUARE), BOTH);
    expect(longer.path[longer.path.length - 1 - longer.after]!.at - longer.path[longer.before]!.at).toBeCloseTo(
      pathLength(sweep),
      6,
    );
    expect(longer.path[0]!.curvature).toBe(0);
    expect(tightestBend(longer.path)?.radiusMm).toBeCloseTo(tightestBend(sweep)?.radiusMm ?? 0, 9);
  });
});

it('a parallel to the left and one to the right lie on either side', () => {
  expect((parallelPath(line, 10) as Path)[0]!.y).toBe(60);
  expect((parallelPath(line, -10) as Path)[0]!.y).toBe(40);
});
