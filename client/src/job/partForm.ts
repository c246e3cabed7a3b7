import {
  BASE_DATUM,
  datumSchema,
  outlineFaults,
  partSchema,
  PAINT_SYSTEM_KEYS,
  type LengthContext,
  type Outline,
  type Part,
  type Substrate,
} from '@lintrel/core';
import * as v from 'valibot';
import { lengthText } from '@/forms/lengthText';
import { typedLength, typedNumber } from '@/forms/typed';
import { coordinate, lengthMm } from '@lintrel/core';

const { name, count, substrate, present } = partSchema.entries;

/** Fields of the part form as typed. */
export interface PartFields {
  name: string;
  count: string;
  substrate: Substrate;
  presentSystem: Part['present']['system'];
  presentColour: string;
  presentAgeH: string;
  shape: 'rectangle' | 'polygon';
  width: string;
  height: string;
  corners: { x: string; y: string }[];
  datums: { id: string; name: string; x: string; y: string; angleDeg: string }[];
}

/** What the form reads them as. */
export const partFormSchema = (context: LengthContext) => {
  const place = () => typedLength(coordinate(), context);
  const common = {
    name,
    count: typedNumber(count),
    substrate,
    presentSystem: v.picklist(['bare', ...PAINT_SYSTEM_KEYS] as const),
    presentColour: present.entries.colour,
    presentAgeH: typedNumber(present.entries.ageH),
    datums: v.array(v.object({ id: v.string(), name: datumSchema.entries.name, x: place(), y: place(), angleDeg: typedNumber(datumSchema.entries.angleDeg) })),
  };
  const size = () => typedLength(lengthMm(), context);
  return v.variant('shape', [
    v.object({ ...common, shape: v.literal('rectangle'), width: size(), height: size() }),
    v.pipe(
      v.object({
        ...common,
        shape: v.literal('polygon'),
        corners: v.pipe(v.array(v.object({ x: place(), y: place() })), v.minLength(3, 'needs at least 3 corners')),
      }),
      v.rawCheck(({ dataset, addIssue }) => {
        if (!dataset.typed) return;
        const { corners } = dataset.value;
        for (const { corner, message } of outlineFaults({ kind: 'polygon', points: corners.map(({ x, y }) => [x, y]) })) {
          addIssue({ message, path: pathTo(dataset.value, corner) });
        }
      }),
    ),
  ]);
};

export type PartValues = v.InferOutput<ReturnType<typeof partFormSchema>>;

function pathTo(value: { corners: { x: number; y: number }[] }, corner: number | null): [v.IssuePathItem, ...v.IssuePathItem[]] {
  const item = (type: 'object' | 'array', input: unknown, key: string | number, of: unknown) =>
    ({ type, origin: 'value', input, key, value: of }) as v.IssuePathItem;
  const first = item('object', value, 'corners', value.corners);
  const at = corner ?? 0;
  return [first, item('array', value.corners, at, value.corners[at]), item('object', value.corners[at], 'x', value.corners[at]?.x)];
}

/** What the form opens with. */
export function partFields(part: Part | null, unit: 'mm' | 'in'): PartFields {
  const text = (mm: number) => lengthText(mm, unit);
  const outline: Outline = part?.surface.outline ?? { kind: 'rectangle', width: 0, height: 0 };
  return {
    name: part?.name ?? '',
    count: String(part?.count ?? 1),
    substrate: part?.substrate ?? 'steel',
    presentSystem: part?.present.system ?? 'filler-primer',
    presentColour: part?.present.colour ?? '#c7bfa6',
    presentAgeH: String(part?.present.ageH ?? 48),
    shape: outline.kind,
    width: outline.kind === 'rectangle' && outline.width > 0 ? text(outline.width) : '',
    height: outline.kind === 'rectangle' && outline.height > 0 ? text(outline.height) : '',
    corners: outline.kind === 'polygon' ? outline.points.map(([x, y]) => ({ x: text(x), y: text(y) })) : [],
    datums: (part?.datums ?? [BASE_DATUM]).map(({ id, name: datumName, at: [x, y], angleDeg }) => ({
      id,
      name: datumName,
      x: text(x),
      y: text(y),
      angleDeg: String(angleDeg),
    })),
  };
}

/** The part the form describes. */
export function partFrom(values: PartValues, id: string, lines: Part['lines']): Part {
  const outline: Outline =
    values.shape === 'rectangle'
      ? { kind: 'rectangle', width: values.width, height: values.height }
      : { kind: 'polygon', points: values.corners.map(({ x, y }) => [x, y]) };
  return {
    id,
    name: values.name,
    count: values.count,
    substrate: values.substrate,
    present: { system: values.presentSystem, colour: values.presentColour, ageH: values.presentAgeH },
    surface: { kind: 'flat', outline },
    datums: values.datums.map(({ id: datumId, name: datumName, x, y, angleDeg }) => ({ id: datumId, name: datumName, at: [x, y], angleDeg })),
    lines,
  };
}
