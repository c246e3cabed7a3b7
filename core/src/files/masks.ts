import type { Coordinates, PartPlan } from '../setout';
import type { PaperStroke, PaperWords, Plot } from './page';
import { largest, smallest, closedRing } from '../units';

/** One cover to cut. */
interface Mask {
  readonly name: string;
  readonly points: readonly Coordinates[];
  readonly width: number;
  readonly height: number;
}

const GAP_MM = 5;

/**
 * Lays the covers of openings and closed lines out on a strip of film, largest first.
 * @param tapeWidthMm width of the film
 * @returns the strip, full size, and the names of those too large for it
 */
export function maskPlot(parts: readonly PartPlan[], job: string, tapeWidthMm: number): { readonly plot: Plot; readonly tooLarge: readonly string[] } {
  const all = parts.flatMap((part) => Array.from({ length: part.count }, () => masksOf(part)).flat());
  const fitting = all.map((mask) => turnedToFit(mask, tapeWidthMm));
  const tooLarge = all.filter((_, index) => fitting[index] === null).map(({ name }) => name);
  const strokes: PaperStroke[] = [];
  const words: PaperWords[] = [];
  let [x, y, deep] = [GAP_MM, GAP_MM, 0];
  const sorted = fitting.filter((mask): mask is Mask => mask !== null).sort((a, b) => b.height - a.height || b.width - a.width);
  // Columns across the strip: each as wide as its widest, filled from the bottom up.
  for (const mask of sorted) {
    if (y + mask.height + GAP_MM > tapeWidthMm) {
      x += deep + GAP_MM;
      [y, deep] = [GAP_MM, 0];
    }
    const at: Coordinates = [x, y];
    strokes.push({ pen: 'trim', points: closedRing(mask.points).map(([px, py]): Coordinates => [px + at[0], py + at[1]]) });
    words.push({
      at: [x + mask.width / 2 - mask.name.length * 0.7, y + mask.height / 2 - 1],
      text: mask.name,
      sizeMm: Math.min(3, Math.max(1.6, mask.width / Math.max(4, mask.name.length))),
    });
    y += mask.height + GAP_MM;
    deep = Math.max(deep, mask.width);
  }
  const length = x + deep + GAP_MM;
  strokes.push({
    pen: 'help',
    points: [
      [0, 0],
      [length, 0],
      [length, tapeWidthMm],
      [0, tapeWidthMm],
      [0, 0],
    ],
  });
  return {
    plot: {
      title: { code: 'paper.masks', values: { job, widthMm: tapeWidthMm } },
      note: { code: 'paper.film', values: { lengthMm: length, tooLarge } },
      strokes,
      words,
    },
    tooLarge,
  };
}

function masksOf(part: PartPlan): Mask[] {
  const openings = part.features.filter(({ kind, closed }) => kind === 'opening' && closed).map(({ name, places }) => maskOf(name, places));
  const rings = part.lines
    .filter(({ kind, pieces }) => kind === 'ellipse' && pieces.length === 1)
    .map(({ code, pieces }) =>
      maskOf(
        code,
        pieces[0]!.slice(0, -1).map(([x, y]): Coordinates => [x, y]),
      ),
    );
  return [...openings, ...rings];
}

function maskOf(name: string, points: readonly Coordinates[]): Mask {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [minX, minY] = [smallest(xs), smallest(ys)];
  return { name, points: points.map(([x, y]): Coordinates => [x - minX, y - minY]), width: largest(xs) - minX, height: largest(ys) - minY };
}

/** As it is, or turned by a quarter, so that it fits across the film; null where neither does. */
function turnedToFit(mask: Mask, tapeWidthMm: number): Mask | null {
  const room = tapeWidthMm - 2 * GAP_MM;
  if (mask.height <= room) return mask;
  if (mask.width > room) return null;
  return { ...mask, points: mask.points.map(([x, y]): Coordinates => [mask.height - y, x]), width: mask.height, height: mask.width };
}
