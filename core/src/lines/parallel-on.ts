import { isClosed, type Path, pathFromSamples } from '../curves';
import { messageWithoutValues } from '../kit';
import type { Metric, Skin } from '../surface';
import type { LinePaths } from './line-paths';
import type { SnapName } from './messages';
import { parallelPath } from './parallel';

/** Lines at a constant distance from other lines of a part. */
export function parallelOn(skin: Skin, paths: readonly Path[], offset: number, name: SnapName): LinePaths {
  const offsetPaths = paths.map((path) =>
    skin.metric ? parallelOver(skin, skin.metric, path, offset) : parallelPath(path, offset),
  );
  if (offsetPaths.some((path) => path === null)) return { code: 'line.nothing-left', values: { name } };
  return offsetPaths as Path[];
}

/** A line at a constant distance from an edge of the outline, positive towards the part. */
export function parallelOfEdge(skin: Skin, edge: number, offset: number): LinePaths {
  const along = skin.edges[edge];
  if (!along) return { code: 'line.no-edge', values: { edge: edge + 1 } };
  const path = pathFromSamples(along.places, along.closed);
  if (!path) return messageWithoutValues('line.edge-short');
  return parallelOn(skin, [path], offset, along.name);
}

/** Where the drawing is not true every place is moved aside by walking straight away from the line. */
function parallelOver(skin: Skin, metric: Metric, path: Path, offset: number): Path | null {
  const places = path.map((point) => {
    const heading = metric.headingOf(point) + (Math.sign(offset) * Math.PI) / 2;
    return skin.walk(point, heading, Math.abs(offset));
  });
  if (places.some(({ x, y }) => !Number.isFinite(x) || !Number.isFinite(y))) return null;
  const closed = isClosed(path);
  return pathFromSamples(closed ? places.slice(0, -1) : places, closed);
}
