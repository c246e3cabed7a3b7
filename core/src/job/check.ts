import { resolveLines, type TrimLine } from '../lines';
import { outlineFaults, outlineRing } from '../surface';
import type { Design } from './design';
import { pathText, type Fault } from './fault';
import type { Part } from './part';
import type { Shelf } from './shelf';

type Keys = readonly (string | number)[];
const fault = (keys: Keys, message: string): Fault => ({ path: pathText(keys), message });

/**
 * Checks what a schema cannot: that names are unique, outlines sound, and everything named is there.
 * A design with such faults is not saved.
 * @param design sound by its schema
 * @param prefix path of the design itself
 */
export function designFaults(design: Design, shelf: Shelf, prefix: Keys = []): Fault[] {
  const finishes = new Set(shelf.finishes.map(({ id }) => id));
  const parts = new Set(design.parts.map(({ id }) => id));
  return [
    ...repeated(design.parts, [...prefix, 'parts'], 'id'),
    ...design.parts.flatMap((part, index) => partFaults(part, [...prefix, 'parts', index])),
    ...design.scheme.areas.flatMap(({ part, finish }, index) => {
      const at = [...prefix, 'scheme', 'areas', index];
      return [
        ...(parts.has(part) ? [] : [fault([...at, 'part'], `there is no part "${part}"`)]),
        ...(finish === null || finishes.has(finish) ? [] : [fault([...at, 'finish'], `there is no finish "${finish}" on the shelf`)]),
      ];
    }),
    ...(design.choices.order ?? []).flatMap((id, index) =>
      finishes.has(id) ? [] : [fault([...prefix, 'choices', 'order', index], `there is no finish "${id}" on the shelf`)],
    ),
  ];
}

/**
 * Faults of lines on their parts: nothing of them on the surface, or not to be laid out. They are told where the
 * line is edited and do not stop a design from being kept, since changing a part may cause them.
 */
export function lineFaults(design: Design, prefix: Keys = []): Fault[] {
  return design.parts.flatMap((part, index) =>
    resolveLines(part.lines, { ring: outlineRing(part.surface.outline), datums: part.datums }).flatMap((line, at) =>
      line.fault ? [fault([...prefix, 'parts', index, 'lines', at], line.fault)] : [],
    ),
  );
}

function partFaults(part: Part, at: Keys): Fault[] {
  const outline = [...at, 'surface', 'outline'];
  const datums = new Set(part.datums.map(({ id }) => id));
  const lines = new Set(part.lines.map(({ id }) => id));
  return [
    ...outlineFaults(part.surface.outline).map(({ corner, message }) => fault(corner === null ? outline : [...outline, 'points', corner], message)),
    ...repeated(part.datums, [...at, 'datums'], 'id'),
    ...repeated(part.lines, [...at, 'lines'], 'id'),
    ...part.lines.flatMap((line, index) => referenceFaults(line, [...at, 'lines', index], datums, lines)),
  ];
}

function referenceFaults(line: TrimLine, at: Keys, datums: ReadonlySet<string>, lines: ReadonlySet<string>): Fault[] {
  if (line.kind === 'parallel') {
    if (line.of === line.id) return [fault([...at, 'of'], 'a line cannot be parallel to itself')];
    return lines.has(line.of) ? [] : [fault([...at, 'of'], `there is no line "${line.of}" on this part`)];
  }
  return datums.has(line.datum) ? [] : [fault([...at, 'datum'], `there is no datum "${line.datum}" on this part`)];
}

function repeated(items: readonly { readonly id: string }[], at: Keys, key: string): Fault[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, index) => {
    if (seen.has(id)) return [fault([...at, index, key], `"${id}" is used twice`)];
    seen.add(id);
    return [];
  });
}
