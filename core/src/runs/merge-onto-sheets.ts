import type { ResolvedLine } from '../lines';
import type { Tape } from '../tape';
import { type CutShape, filmSheetFor } from './film-sheet';
import { lineCode, type MaskedPart, pieceAlong, type Run } from './run';

/**
 * Shapes of one line that are cut from film share one film: the first of them carries it, the others have none of
 * their own.
 */
export function mergeOntoSheets(part: MaskedPart, runs: readonly Run[], tapes: readonly Tape[]): Run[] {
  const shapeOf = (run: Run): CutShape | null => {
    const cut = run.techniques.find(({ code }) => code === 'technique.cut-out');
    const line = part.lines.find(({ id }) => id === run.line) as ResolvedLine;
    if (cut?.code !== 'technique.cut-out' || line.id === line.owner) return null;
    return {
      part: part.id,
      owner: line.owner,
      code: lineCode(part, line),
      piece: pieceAlong(part, run),
      inside: cut.values.inside,
    };
  };
  const shapes = runs.map(shapeOf);
  const owners = [...new Set(shapes.flatMap((shape) => (shape ? [shape.owner] : [])))];
  const sheets = new Map(
    owners.flatMap((owner) => {
      const sheet = filmSheetFor(
        shapes.flatMap((shape) => (shape?.owner === owner ? [shape] : [])),
        tapes,
      );
      return sheet ? [[owner, sheet] as const] : [];
    }),
  );
  return runs.map((run, index): Run => {
    const lineId = shapes[index]?.owner;
    const sheet = lineId === undefined ? undefined : sheets.get(lineId);
    if (!sheet) return run;
    const head = shapes.findIndex((shape) => shape?.owner === lineId);
    const { film, shapes: count, inner, widthMm, heightMm, code, lengthMm } = sheet;
    return {
      ...run,
      sheet: head,
      tape: film.code,
      tapeWidthMm: film.widthMm,
      cleanHours: film.cleanHours,
      tapeMm: head === index ? lengthMm : 0,
      techniques: [{ code: 'technique.cut-sheet', values: { line: code, shapes: count, inner, widthMm, heightMm } }],
    };
  });
}
