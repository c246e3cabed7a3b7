import { coordinate, lineSchema, type LengthContext, type LineKind, type Part, type TrimLine } from '@lintrel/core';
import * as v from 'valibot';
import { lengthText } from '@/forms/lengthText';
import { typedLength } from '@/forms/typed';

const POINTS_NEEDED = {
  straight: { least: 2, most: 2 },
  arc: { least: 3, most: 3 },
  sweep: { least: 2, most: 200 },
  parallel: { least: 0, most: 0 },
} as const satisfies Record<LineKind, object>;

/** How many measured points a kind of line takes. */
export const pointsNeeded = (kind: LineKind) => POINTS_NEEDED[kind];

/** Fields of the line form as typed; a kind uses those it needs. */
export interface LineFields {
  kind: LineKind;
  name: string;
  runOn: boolean;
  datum: string;
  points: { along: string; above: string }[];
  of: string;
  distance: string;
  side: 'left' | 'right';
}

const nameSchema = lineSchema.options[0].entries.name;

/** What the form reads them as: measured lines with their points, parallels with their distance. */
export const lineFormSchema = (context: LengthContext) => {
  const place = () => typedLength(coordinate(), context);
  const common = { name: nameSchema, runOn: v.boolean() };
  const measured = (kind: Exclude<LineKind, 'parallel'>) =>
    v.object({
      ...common,
      kind: v.literal(kind),
      datum: v.string(),
      points: v.pipe(v.array(v.object({ along: place(), above: place() })), v.minLength(pointsNeeded(kind).least, 'needs more points')),
    });
  const distance = v.pipe(
    coordinate(),
    v.check((value) => value >= 0.05, 'must be at least 0.05 mm'),
  );
  return v.variant('kind', [
    measured('straight'),
    measured('arc'),
    measured('sweep'),
    v.object({
      ...common,
      kind: v.literal('parallel'),
      of: v.pipe(v.string(), v.minLength(1, 'choose the line it follows')),
      distance: typedLength(distance, context),
      side: v.picklist(['left', 'right']),
    }),
  ]);
};
export type LineValues = v.InferOutput<ReturnType<typeof lineFormSchema>>;

/** What the form opens with: the line, or one of the kind asked for. */
export function lineFields(line: TrimLine | null, part: Part, unit: 'mm' | 'in', newName: string): LineFields {
  const text = (mm: number) => lengthText(mm, unit);
  const fields: LineFields = {
    kind: line?.kind ?? 'straight',
    name: line?.name ?? newName,
    runOn: line?.runOn ?? true,
    datum: part.datums[0].id,
    points: [
      { along: '', above: '' },
      { along: '', above: '' },
    ],
    of: part.lines.find(({ id }) => id !== line?.id)?.id ?? '',
    distance: '',
    side: 'right',
  };
  if (!line) return fields;
  if (line.kind === 'parallel') return { ...fields, of: line.of, distance: text(Math.abs(line.offset)), side: line.offset > 0 ? 'left' : 'right' };
  return { ...fields, datum: line.datum, points: measuresOf(line).map(({ along, above }) => ({ along: text(along), above: text(above) })) };
}

function measuresOf(line: Exclude<TrimLine, { kind: 'parallel' }>) {
  switch (line.kind) {
    case 'straight':
      return [line.from, line.to];
    case 'arc':
      return [line.from, line.through, line.to];
    case 'sweep':
      return line.points;
  }
}

/** The line the form describes. */
export function lineFrom(values: LineValues, id: string): TrimLine {
  const { name, runOn } = values;
  if (values.kind === 'parallel')
    return { kind: 'parallel', id, name, runOn, of: values.of, offset: values.side === 'left' ? values.distance : -values.distance };
  const { datum, points } = values;
  switch (values.kind) {
    case 'straight':
      return { kind: 'straight', id, name, runOn, datum, from: points[0], to: points[1] };
    case 'arc':
      return { kind: 'arc', id, name, runOn, datum, from: points[0], through: points[1], to: points[2] };
    case 'sweep':
      return { kind: 'sweep', id, name, runOn, datum, points };
  }
}

/** Fits the number of point fields to a kind of line, keeping what was typed. */
export function fittedPoints(points: LineFields['points'], kind: LineKind): LineFields['points'] {
  const { least, most } = pointsNeeded(kind);
  if (kind === 'parallel') return points;
  const kept = points.length > most ? [...points.slice(0, most - 1), points[points.length - 1]] : points;
  return [...kept, ...Array.from({ length: Math.max(0, least - kept.length) }, () => ({ along: '', above: '' }))];
}
