import type { Place } from '../curves';
import { maxOf, minOf } from '../kit';
import type { PartPlan } from '../setout';
import { exportLayers } from './layers-out';

/** Margin round the drawing, mm. */
const MARGIN = 10;
const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] as string);

/** A part as an SVG drawing in millimetres, one group a layer. */
export function writeSvg(part: PartPlan): string {
  const xs = part.ring.map(([x]) => x);
  const ys = part.ring.map(([, y]) => y);
  const [minX, minY, maxX, maxY] = [minOf(xs) - MARGIN, minOf(ys) - MARGIN, maxOf(xs) + MARGIN, maxOf(ys) + MARGIN];
  const [w, h] = [maxX - minX, maxY - minY].map((size) => size.toFixed(3));
  // The page runs y downwards: turned over about its own bottom, so that reading it back gives the same places.
  const point = ([x, y]: Place) => `${x.toFixed(4)} ${(minY + maxY - y).toFixed(4)}`;
  const groups = exportLayers(part).map(
    ({ name, paths }) =>
      `  <g id="${escaped(name)}">\n${paths.map(({ closed, points }) => `    <path d="M${points.map(point).join('L')}${closed ? 'Z' : ''}"/>`).join('\n')}\n  </g>`,
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="${minX.toFixed(3)} ${minY.toFixed(3)} ${w} ${h}" fill="none" stroke="#000" stroke-width="0.2">`,
    `  <title>${escaped(part.name)}</title>`,
    ...groups,
    '</svg>',
    '',
  ].join('\n');
}
