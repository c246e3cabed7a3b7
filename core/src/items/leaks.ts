import type { LeakMessage, LineItem } from '../contract';
import {
  boundingBox,
  type Box,
  cornerDistances,
  isNearBox,
  nearestOnPath,
  type Path,
  pathSlice,
  type Point,
} from '../curves';
import type { PartWork } from '../setout';

/** Tapes nearer than this touch. Millimetres. */
const TOUCH_MM = 1;

/**
 * Where the mask of a stage is known to leak: tapes that cross or meet, bends too tight for them, corners, folds and raised rows under them.
 * @param lines tapes that are on while a stage is sprayed
 * @returns one entry a part and kind, part by part in laying order
 */
export function leaksOf(lines: readonly LineItem[], works: readonly PartWork[]): LeakMessage[] {
  return works.flatMap((work): LeakMessage[] => {
    const items = lines.filter(({ part }) => part === work.part.id);
    const part = work.part.name;
    const leakMessages = (code: LeakMessage['code'], places: readonly string[]): LeakMessage[] =>
      places.length > 0 ? [{ code, values: { part, places: [...new Set(places)] } }] : [];
    return [
      ...leakMessages('leak.crossing', crossingsOf(items, work)),
      ...leakMessages(
        'leak.tight',
        codesOf(items.filter(({ verdict }) => verdict === 'too-tight' || verdict === 'none')),
      ),
      ...leakMessages(
        'leak.corner',
        codesOf(items.filter((item) => cornerDistances(pathOf(item, work) ?? []).length > 0)),
      ),
      ...leakMessages('leak.fold', featuresUnder(items, work, 'crease')),
      ...leakMessages('leak.row', featuresUnder(items, work, 'raised-row')),
    ];
  });
}

const codesOf = (items: readonly LineItem[]): string[] => items.map(({ lineCode }) => lineCode);

function crossingsOf(items: readonly LineItem[], work: PartWork): string[] {
  const laid = items.map((item) => placedTape(pathOf(item, work)));
  return items.flatMap((item, index) =>
    items.slice(0, index).flatMap((other, before) => {
      const [one, two] = [laid[index], laid[before]];
      return other.line !== item.line && one && two && meet(one, two) ? [`${other.lineCode} × ${item.lineCode}`] : [];
    }),
  );
}

/** Where a tape lies, and the box round it. */
interface PlacedTape {
  readonly path: Path;
  readonly ends: readonly Point[];
  readonly box: Box;
}

const placedTape = (path: Path | null): PlacedTape | null =>
  path && { path, ends: [path[0]!, path.at(-1)!], box: boundingBox(path) };

const featuresUnder = (items: readonly LineItem[], { lines }: PartWork, kind: 'crease' | 'raised-row'): string[] =>
  items.flatMap((item) =>
    (lines.find(({ id }) => id === item.line)?.crosses ?? []).flatMap((met) =>
      met.kind === kind && met.to >= item.from && met.from <= item.to ? [`${item.lineCode}: ${met.name}`] : [],
    ),
  );

/** The stretch of its line a tape makes. */
function pathOf(item: LineItem, { lines }: PartWork): Path | null {
  for (const piece of lines.find(({ id }) => id === item.line)?.pieces ?? []) {
    const path = pathSlice(piece, item.from, item.to);
    if (path) return path;
  }
  return null;
}

/** True where an end of one lies on the other. */
function meet(tape: PlacedTape, other: PlacedTape): boolean {
  const touches = (end: Point, { path, box }: PlacedTape) =>
    isNearBox(end, box, TOUCH_MM) && nearestOnPath(path, end).distanceMm < TOUCH_MM;
  return tape.ends.some((end) => touches(end, other)) || other.ends.some((end) => touches(end, tape));
}
