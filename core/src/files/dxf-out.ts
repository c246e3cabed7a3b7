import type { PartPlan } from '../setout';
import { exportLayers } from './layers-out';

/**
 * A part as a DXF drawing in millimetres, one layer per kind of line. Uses the oldest kind of polyline, which every
 * reader supports.
 */
export function writeDxf(part: PartPlan): string {
  const pairs: (readonly [number, string | number])[] = [
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$INSUNITS'],
    [70, 4],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
  ];
  for (const { name, paths } of exportLayers(part)) {
    for (const { closed, points } of paths) {
      pairs.push([0, 'POLYLINE'], [8, name], [66, 1], [10, 0], [20, 0], [30, 0], [70, closed ? 1 : 0]);
      for (const [x, y] of points)
        pairs.push([0, 'VERTEX'], [8, name], [10, x.toFixed(4)], [20, y.toFixed(4)], [30, 0]);
      pairs.push([0, 'SEQEND'], [8, name]);
    }
  }
  pairs.push([0, 'ENDSEC'], [0, 'EOF']);
  return `${pairs.map(([code, value]) => `${code}\n${value}`).join('\n')}\n`;
}
