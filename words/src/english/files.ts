import type { StationCell, StationColumn, StationTable } from '@lintrel/core';
import type {
  DrawingMessages,
  PaperMessages,
  PrintMessages,
  SkippedMessages,
  TakenMessages,
} from '@lintrel/core/files';
import type { SentenceTools, WordsOf } from '../table';

export const DRAWING_WORDS: WordsOf<DrawingMessages> = {
  'drawing.too-many-pieces': ({ most }) =>
    `The drawing has more than ${most} pieces. Take out what is not outline or line, and save it again.`,
  'drawing.too-many-places': ({ most }) =>
    `The drawing has more than ${most} places. Simplify its curves and save it again.`,
  'drawing.no-line': ({ skipped }, { say }) =>
    `There is no line in this drawing${skipped.length > 0 ? `: passed over ${skipped.map(say).join(', ')}` : ''}.`,
  'drawing.too-large': ({ megabytes }) => `The file is larger than ${megabytes} MB.`,
  'drawing.binary-dxf': () => 'The file is in the binary form of DXF. Save it as text (ASCII) DXF.',
  'drawing.bad-dxf': ({ reason }) => `The file is no sound DXF: ${reason}`,
  'drawing.no-entities': () => 'The file is no sound DXF: it has no entities.',
  'drawing.endless-blocks': () => 'Blocks lie inside each other without end.',
  'drawing.bad-svg': ({ reason }) => `The file is no sound SVG: ${reason}`,
  'drawing.entities': () => 'The file defines entities of its own, which is refused. Save it as plain SVG.',
  'drawing.too-deep': ({ most }) => `Groups lie more than ${most} deep inside each other.`,
  'drawing.not-svg': () => 'The file is XML, but no SVG drawing.',
  'drawing.no-svg': () => 'The file holds no SVG drawing.',
};

export const SKIPPED_WORDS: WordsOf<SkippedMessages> = {
  'skipped.no-number': ({ count }) => `${count} × piece with a number that is none`,
  'skipped.no-length': ({ count }) => `${count} × piece without length`,
  'skipped.not-flat': ({ count, name }) => `${count} × ${name} that does not lie flat`,
  'skipped.no-measures': ({ count, name }) => `${count} × ${name} without measurements`,
  'skipped.no-block': ({ count }) => `${count} × block that is not in the file`,
  'skipped.script': ({ count }) => `${count} × script, not run`,
  'skipped.embedded': ({ count }) => `${count} × embedded page, not shown`,
  'skipped.reference': ({ count }) => `${count} × reference to another piece`,
  'skipped.link': ({ count }) => `${count} × link`,
  'skipped.element': ({ count, name }) => `${count} × ${name}`,
  'skipped.unreadable': ({ count }) => `${count} × path that cannot be read`,
};

export const IMPORT_WORDS: WordsOf<TakenMessages> = {
  'taken.no-outline': ({ layer }) => `Layer "${layer}" has no closed path, so it gives no outline.`,
  'taken.paths': ({ paths }) => `${paths} paths are too large, too far out or too many.`,
  'taken.corners': ({ most }) => `The outline has more than ${most} corners.`,
  'taken.thinned': ({ corners, strayMm }, { length }) =>
    `The outline was thinned to ${corners} corners; it strays by at most ${length(strayMm)}.`,
};

export const PRINT_WORDS: WordsOf<PrintMessages> = {
  'print.no-part': ({ part }) => `There is no part "${part}".`,
  'print.too-many-sheets': ({ sheets }) =>
    `The template needs ${sheets} sheets. Print it on one sheet of a wide printer, or use a station table.`,
  'print.nothing-to-mark': () => 'This line is not on its part, so there is nothing to mark.',
  'print.no-mask-fits': ({ widthMm, masks }, { length }) =>
    `Nothing fits film ${length(widthMm)} wide: ${masks.join(', ')}.`,
  'print.nothing-to-lay': () => 'No area has a finish yet: there is nothing to lay.',
  'print.no-masks': () => 'No part has an opening or a circle to cut a mask for.',
};

export const PAPER_WORDS: WordsOf<PaperMessages> = {
  'paper.part': ({ job, part, mirrored }) => `${job}: ${part}${mirrored ? ', mirrored' : ''}`,
  'paper.table': ({ job, part, line }) => `${job}: ${part}, ${line}`,
  'paper.masks': ({ job, widthMm }, { length }) => `${job}: masks on film ${length(widthMm)} wide`,
  'paper.lay': ({ job }) => `${job}: what to lay, and what comes off`,
  'paper.stage': ({ stage, finish }) => `Stage ${stage}: ${finish}`,
  'paper.film': ({ lengthMm, tooLarge }, { metres }) =>
    `${metres(lengthMm)} of film${tooLarge.length > 0 ? `; too large for it: ${tooLarge.join(', ')}` : ''}`,
  'paper.unrolled': () => 'Unrolled skin, seen from outside',
  'paper.seam': ({ edge }) => `Edge ${edge} meets edge ${edge === 'P' ? 'Q' : 'P'}`,
  'paper.gore': ({ gore, gores, meets }) => `gore ${gore} of ${gores}, meets ${meets} above`,
  'paper.gores': ({ gores, errorMm }, { fine }) => `${gores} gores; edges ${fine(errorMm)} longer than on the skin`,
  'paper.foot': ({ title, sheet, first, last }, { say }) => `${say(title)}, sheet ${sheet} of ${first} to ${last}`,
  'paper.sheet-of': ({ note, sheet, sheets }) => `${note}; sheet ${sheet} of ${sheets}`,
};

const COLUMNS: Readonly<Record<StationColumn, string>> = {
  along: 'Along',
  'along-line': 'Along the line',
  'along-datum': 'Along the datum',
  'height-skin': 'Height on the skin',
  'height-plumb': 'Height plumb',
  degrees: 'Degrees from top',
  girth: 'Girth from top',
  'height-opposite': 'Height on',
};

/** A station table in words. */
export interface StationWords {
  readonly title: string;
  readonly note: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Puts a station table into words: the same on the screen, on paper and in a list. */
export function stationWords(
  { line, datum, toleranceMm, opposite, columns, rows }: StationTable,
  { length }: SentenceTools,
): StationWords {
  const cell = (value: StationCell, column: StationColumn): string => {
    if (value === null) return '';
    if (typeof value === 'string') return value === 'no-line' ? 'no such line' : 'not reached';
    return column === 'degrees' ? `${value.toFixed(1)}°` : length(value);
  };
  return {
    title: `${line.code} ${line.name}`,
    note: `Measured from ${datum}; straight between marks strays at most ${length(toleranceMm)}; * marks in between`,
    columns: columns.map((column) =>
      column === 'height-opposite' ? `${COLUMNS[column]} ${opposite ?? ''}` : COLUMNS[column],
    ),
    rows: rows.map(({ extra, cells }) =>
      cells.map((value, index) => `${cell(value, columns[index]!)}${extra && index === 0 ? ' *' : ''}`),
    ),
  };
}
