import type { Place } from '../curves';
import { closeRing, maxOf, messageWithoutValues, minOf } from '../kit';
import type { PartPlan } from '../setout';
import type { PaperStroke, PaperWords, Plot } from './page';

/**
 * A part full size: outline, openings, lines with their codes, datums and folds. Round parts show which edges meet.
 * @param mirrored mirrored, for the other side
 */
export function partPlot(part: PartPlan, job: string, mirrored: boolean): Plot {
  const strokes: PaperStroke[] = [
    { pen: 'rim', points: closeRing(part.ring) },
    ...part.openings.map((points): PaperStroke => ({ pen: 'rim', points: closeRing(points) })),
    ...part.folds.map((points): PaperStroke => ({ pen: 'dash', points })),
    ...part.datums.map(({ places }): PaperStroke => ({ pen: 'dash', points: places })),
    ...part.lines.flatMap(({ pieces }) =>
      pieces.map((piece): PaperStroke => ({ pen: 'trim', points: piece.map(([x, y]): Place => [x, y]) })),
    ),
  ];
  const words = [...lineWords(part), ...datumWords(part), ...seamWords(part)];
  const plot: Plot = {
    title: { code: 'paper.part', values: { job, part: part.name, mirrored } },
    note: part.seams.length === 0 ? '' : messageWithoutValues('paper.unrolled'),
    strokes,
    words,
  };
  return mirrored ? mirroredPlot(plot) : plot;
}

/** Codes stand beside their lines, now and again along long ones. */
function lineWords(part: PartPlan): PaperWords[] {
  const every = 220;
  return part.lines.flatMap(({ code, pieces }) =>
    pieces.flatMap((piece) => {
      const length = piece.at(-1)![2] - piece[0]![2];
      const count = Math.max(1, Math.round(length / every));
      return Array.from({ length: count }, (_, index): PaperWords => {
        const wanted = piece[0]![2] + (length * (index + 0.5)) / count;
        const place = piece.find(([, , at]) => at >= wanted) ?? piece.at(-1)!;
        return { at: [place[0] + 1.5, place[1] + 1.5], text: code, sizeMm: 3 };
      });
    }),
  );
}

const datumWords = (part: PartPlan): PaperWords[] =>
  part.datums.map(({ name, places }): PaperWords => ({
    at: [places[0]![0] + 2, places[0]![1] + 1.5],
    text: name,
    sizeMm: 2.6,
  }));

/** What is written along the two copies of a seam. */
function seamWords({ seams }: PartPlan): PaperWords[] {
  if (seams.length < 2) return [];
  return seams.map((seam, index): PaperWords => {
    const [a, b] = [seam[0]!, seam.at(-1)!];
    const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
    const flat = Math.abs(turn) > 90 ? turn - Math.sign(turn) * 180 : turn;
    return {
      at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + (index === 0 ? 2 : -5)],
      text: { code: 'paper.seam', values: { edge: index === 0 ? 'P' : 'Q' } },
      sizeMm: 3,
      turnDeg: flat,
    };
  });
}

/** Reflected about its own middle; words keep their reading direction. */
function mirroredPlot(plot: Plot): Plot {
  const xs = plot.strokes.flatMap(({ points }) => points.map(([x]) => x));
  const about = minOf(xs) + maxOf(xs);
  const turned = ([x, y]: Place): Place => [about - x, y];
  return {
    ...plot,
    strokes: plot.strokes.map((stroke) => ({ ...stroke, points: stroke.points.map(turned) })),
    words: plot.words.map((words) => ({
      ...words,
      at: turned(words.at),
      turnDeg: words.turnDeg === undefined ? undefined : -words.turnDeg,
    })),
  };
}
