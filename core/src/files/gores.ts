import { firstTwo, maxOf, TOLERANCE } from '../kit';
import type { SetOut } from '../lines';
import type { PaperStroke, PaperWords, Plot } from './page';

/** A turned skin in flat strips, each from end to end, with what they are wrong by. */
export interface GorePlot extends Plot {
  readonly gores: number;
  /** How much longer the edge of a strip is than the line on the surface it represents, mm. */
  readonly errorMm: number;
}

/** Gores between these, the fewest whose edges are right to the wanted error. */
const COUNTS = [6, 8, 12, 16, 24, 32, 48];
const WANTED_ERROR_MM = 0.5;
const STEPS = 200;
const GAP_MM = 8;

/** Length of the edge of a strip against the length along the middle: flat, the edge runs out and in again. */
function edgeError(radii: readonly number[], step: number, count: number): number {
  const half = Math.PI / count;
  const edge = radii
    .slice(1)
    .reduce((sum, radius, index) => sum + Math.hypot(step, half * (radius - radii[index]!)), 0);
  return edge - step * (radii.length - 1);
}

/**
 * Cuts a turned skin into gores: no flat sheet fits it, but narrow strips nearly do.
 * @returns strips side by side with the trim lines on them; null for a part that is not turned
 */
export function goresOf(setOut: SetOut, title: Plot['title']): GorePlot | null {
  const { board, lines } = setOut;
  const skin = board.measured;
  const { axle } = skin;
  if (!skin.metric || !axle) return null;
  const step = axle.lengthMm / STEPS;
  const radii = Array.from({ length: STEPS + 1 }, (_, index) => axle.at(index * step).radius);
  const gores = COUNTS.find((count) => edgeError(radii, step, count) <= WANTED_ERROR_MM) ?? COUNTS.at(-1)!;
  const half = Math.PI / gores;
  const pitch = 2 * half * maxOf(radii) + GAP_MM;
  const strokes: PaperStroke[] = [];
  const words: PaperWords[] = [];
  for (let gore = 0; gore < gores; gore++) {
    const middle = -Math.PI + (2 * gore + 1) * half;
    const put = (along: number, angle: number): readonly [number, number] => [
      along,
      gore * pitch + axle.at(along).radius * (angle - middle),
    ];
    const side = (sign: 1 | -1) => radii.map((_, index) => put(index * step, middle + sign * half));
    strokes.push({ pen: 'rim', points: [...side(-1), ...side(1).reverse(), side(-1)[0]!] });
    words.push({
      at: [axle.lengthMm / 2, gore * pitch + 1],
      text: { code: 'paper.gore', values: { gore: gore + 1, gores, meets: ((gore + 1) % gores) + 1 } },
      sizeMm: 2.8,
    });
    for (const { pieces } of lines) {
      for (const piece of pieces) {
        const places = piece.map((point) => axle.onRound(board.reflect(point)));
        strokes.push(
          ...within(places, middle, half).map((run): PaperStroke => ({
            pen: 'trim',
            points: run.map(({ along, angle }) => put(along, angle)),
          })),
        );
      }
    }
  }
  const errorMm = edgeError(radii, step, gores);
  return { gores, errorMm, title, note: { code: 'paper.gores', values: { gores, errorMm } }, strokes, words };
}

interface Place {
  readonly along: number;
  readonly angle: number;
}

/** Stretches of a line within one gore, cut where it leaves. */
function within(places: readonly Place[], middle: number, half: number): Place[][] {
  const runs: Place[][] = [];
  const off = ({ angle }: Place) => angle - middle;
  for (let index = 1; index < places.length; index++) {
    const [a, b] = [places[index - 1]!, places[index]!];
    const [from, to] = [off(a), off(b)];
    const shares =
      from === to ? (Math.abs(from) <= half + TOLERANCE.rounding ? [0, 1] : null) : overlap(from, to, half);
    if (!shares) continue;
    const placeAt = (share: number): Place => ({
      along: a.along + share * (b.along - a.along),
      angle: a.angle + share * (b.angle - a.angle),
    });
    const last = runs.at(-1);
    if (last && shares[0] === 0 && index > 1 && Math.abs(last.at(-1)!.along - a.along) < TOLERANCE.rounding)
      last.push(placeAt(shares[1]!));
    else runs.push([placeAt(shares[0]!), placeAt(shares[1]!)]);
  }
  return runs;
}

function overlap(from: number, to: number, half: number): [number, number] | null {
  const share = (value: number) => (value - from) / (to - from);
  const [p, q] = firstTwo([share(-half), share(half)].sort((a, b) => a - b));
  const [low, high] = [Math.max(0, p), Math.min(1, q)];
  return low < high ? [low, high] : null;
}
