import { isClosed, type Path, sampledPath } from '../curves';
import { stretchAt, type Sheet } from '../surface';
import { walkStraight } from './geodesic';
import type { Made } from './made';
import { parallelPath } from './parallel';
import { plainly } from '../units';
import type { SnapName } from './says';

/** Lines at a constant distance from other lines of a part. */
export function parallelOn(sheet: Sheet, paths: readonly Path[], offset: number, name: SnapName): Made {
  const found = paths.map((path) => (sheet.chart ? parallelOver(sheet, path, offset) : parallelPath(path, offset)));
  if (found.some((path) => path === null)) return { code: 'line.nothing-left', values: { name } };
  return found as Path[];
}

/** A line at a constant distance from an edge of the outline, positive towards the part. */
export function parallelOfEdge(sheet: Sheet, edge: number, offset: number): Made {
  const along = sheet.edges[edge];
  if (!along) return { code: 'line.no-edge', values: { edge: edge + 1 } };
  const path = sampledPath(along.places, along.closed);
  if (!path) return plainly('line.edge-short');
  return parallelOn(sheet, [path], offset, along.name);
}

/** On a turned surface every place is moved aside by walking straight away from the line. */
function parallelOver(sheet: Sheet, path: Path, offset: number): Path | null {
  const places = path.map((point) => {
    const { share } = stretchAt(sheet, point.x);
    const heading = Math.atan2(share * point.ty, point.tx) + (Math.sign(offset) * Math.PI) / 2;
    return walkStraight(sheet, point, heading, Math.abs(offset));
  });
  if (places.some(({ x, y }) => !Number.isFinite(x) || !Number.isFinite(y))) return null;
  const closed = isClosed(path);
  return sampledPath(closed ? places.slice(0, -1) : places, closed);
}
