import type { Place } from '../curves';
import { closeRing, maxOf, minOf, RULE_OF_THUMB } from '../kit';
import { letteringOf, type PartPlan } from '../setout';
import { type CutPiece, type Nesting, nestPieces } from './nest';
import type { PaperStroke, PaperWords, Plot } from './page';

/** Covers of openings and closed lines, and one piece for the letters of a line with film round them, for all alike. */
export const maskPieces = (parts: readonly PartPlan[]): CutPiece[] =>
  parts.flatMap((part) => Array.from({ length: part.count }, () => masksOf(part)).flat());

/**
 * Lays the covers of openings and closed lines out on a strip of film.
 * @param tapeWidthMm width of the film
 * @returns the strip, full size, and the names of those too large for it
 */
export function maskPlot(
  parts: readonly PartPlan[],
  job: string,
  tapeWidthMm: number,
): { readonly plot: Plot; readonly tooLarge: readonly string[] } {
  const nesting = nestPieces(maskPieces(parts), tapeWidthMm);
  const { lengthMm, tooLarge } = nesting;
  const rim: PaperStroke = {
    pen: 'help',
    points: [
      [0, 0],
      [lengthMm, 0],
      [lengthMm, tapeWidthMm],
      [0, tapeWidthMm],
      [0, 0],
    ],
  };
  return {
    plot: {
      title: { code: 'paper.masks', values: { job, widthMm: tapeWidthMm } },
      note: { code: 'paper.film', values: { lengthMm, tooLarge } },
      strokes: [...cutPaths(nesting).map((points): PaperStroke => ({ pen: 'trim', points })), rim],
      words: nesting.pieces.map(({ name, x, y, widthMm, heightMm }): PaperWords => ({
        at: [x + widthMm / 2 - name.length * 0.7, y + heightMm / 2 - 1],
        text: name,
        sizeMm: Math.min(3, Math.max(1.6, widthMm / Math.max(4, name.length))),
      })),
    },
    tooLarge,
  };
}

/** What the blade follows on a sheet, mm from its lower left. */
export const cutPaths = ({ pieces }: Pick<Nesting, 'pieces'>): Place[][] =>
  pieces.flatMap(({ x, y, cuts }) => cuts.map((cut) => cut.map(([px, py]): Place => [px + x, py + y])));

function masksOf(part: PartPlan): CutPiece[] {
  const openings = part.features
    .filter(({ kind, closed }) => kind === 'opening' && closed)
    .map(({ name, places }) => pieceOf(name, [places]));
  const rings = part.lines
    .filter(({ kind, pieces }) => kind === 'ellipse' && pieces.length === 1)
    .map(({ code, pieces }) => pieceOf(code, [pieces[0]!.slice(0, -1).map(([x, y]): Place => [x, y])]));
  const letters = letteringOf(part).map(({ owner, name }) => {
    const strokes = part.lines
      .filter((line) => line.owner === owner)
      .flatMap(({ pieces }) => pieces.map((piece) => piece.map(([x, y]): Place => [x, y])));
    return pieceOf(name, strokes, RULE_OF_THUMB.cutMargin);
  });
  return [...openings, ...rings, ...letters];
}

/** A piece with its cuts; with a margin it is the film round them that is cut out as well. */
function pieceOf(name: string, rings: readonly (readonly Place[])[], marginMm = 0): CutPiece {
  const all = rings.flat();
  const [minX, minY] = [minOf(all.map(([x]) => x)) - marginMm, minOf(all.map(([, y]) => y)) - marginMm];
  const [widthMm, heightMm] = [
    maxOf(all.map(([x]) => x)) + marginMm - minX,
    maxOf(all.map(([, y]) => y)) + marginMm - minY,
  ];
  const cuts = rings.map((ring) => closeRing(ring).map(([x, y]): Place => [x - minX, y - minY]));
  const frame: Place[] = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
    [0, 0],
  ];
  return { name, widthMm, heightMm, cuts: marginMm > 0 ? [...cuts, frame] : cuts };
}
