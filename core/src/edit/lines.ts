import type { Design } from '../job';
import { type LineId, type PartId, unusedId } from '../kit';
import { sourceLines, type TrimLine } from '../lines';

type Lines = Design['parts'][number]['lines'];

/** The design with the lines of one part changed. */
export const withLines = (design: Design, partId: PartId, update: (lines: Lines) => Lines): Design => ({
  ...design,
  parts: design.parts.map((part) => (part.id === partId ? { ...part, lines: update(part.lines) } : part)),
});

/** The design with one line put in place of itself, or added. */
export const withLine = (design: Design, partId: PartId, changed: TrimLine): Design =>
  withLines(design, partId, (lines) =>
    lines.some(({ id }) => id === changed.id)
      ? lines.map((line) => (line.id === changed.id ? changed : line))
      : [...lines, changed],
  );

/** The design without a line. Lines based on it stay and report that it is missing. */
export const withoutLine = (design: Design, partId: PartId, lineId: LineId): Design =>
  withLines(design, partId, (lines) => lines.filter(({ id }) => id !== lineId));

/** Lines of a part that are made from a line, directly. */
export const followersOf = (lines: Lines, lineId: LineId): Lines =>
  lines.filter((line) => sourceLines(line).includes(lineId));

/** A copy of a line right after it. */
export function withCopy(design: Design, partId: PartId, lineId: LineId): Design {
  return withLines(design, partId, (lines) =>
    lines.flatMap((line) =>
      line.id === lineId
        ? [
            line,
            {
              ...line,
              id: unusedId(
                'line',
                lines.map(({ id }) => id),
              ),
              name: `${line.name} (copy)`.slice(0, 120),
            },
          ]
        : [line],
    ),
  );
}

/** A line one place up (−1) or down (1) in the list; codes follow the list. */
export function withMoved(design: Design, partId: PartId, lineId: LineId, by: -1 | 1): Design {
  return withLines(design, partId, (lines) => {
    const from = lines.findIndex(({ id }) => id === lineId);
    const to = from + by;
    if (from < 0 || to < 0 || to >= lines.length) return lines;
    const moved = [...lines];
    [moved[from], moved[to]] = [moved[to]!, moved[from]!];
    return moved;
  });
}

/** The design with the bands of one line so wide and so far apart, mm. */
export const withBands = (
  design: Design,
  partId: PartId,
  lineId: LineId,
  { width, gap }: { readonly width: number; readonly gap: number },
): Design =>
  withLines(design, partId, (lines) =>
    lines.map((line) => (line.id === lineId && line.kind === 'bands' ? { ...line, width, gap } : line)),
  );
