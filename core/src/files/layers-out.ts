import type { Place } from '../curves';
import type { PartPlan } from '../setout';

/** A layer of an exported drawing. */
export interface ExportLayer {
  readonly name: string;
  readonly paths: readonly { readonly closed: boolean; readonly points: readonly Place[] }[];
}

const CLOSED_MM = 1e-5;

/** A part as layers: outline, openings, then lines by kind; places in mm on the sheet, y up. */
export function exportLayers(part: PartPlan): ExportLayer[] {
  const kinds = [...new Set(part.lines.map(({ kind }) => kind))];
  return [
    { name: 'outline', paths: [{ closed: true, points: part.ring }] },
    ...(part.openings.length > 0
      ? [{ name: 'openings', paths: part.openings.map((points) => ({ closed: true, points })) }]
      : []),
    ...kinds.map((kind) => ({
      name: `lines-${kind}`,
      paths: part.lines.filter((line) => line.kind === kind).flatMap(({ pieces }) => pieces.map(outPath)),
    })),
  ].filter(({ paths }) => paths.length > 0);
}

function outPath(piece: readonly (readonly [number, number, number])[]): ExportLayer['paths'][number] {
  const points = piece.map(([x, y]): Place => [x, y]);
  const [first, last] = [points[0]!, points.at(-1)!];
  const closed = points.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) < CLOSED_MM;
  return { closed, points: closed ? points.slice(0, -1) : points };
}
