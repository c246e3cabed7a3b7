import {
  type BandUnknown,
  checkAgainst,
  faultText,
  type LengthContext,
  type LineKind,
  lineSchema,
  message,
  type Part,
  readFailed,
  type Reading,
  readLength,
  readNumber,
  solveBands,
  type TrimLine,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { lengthText } from '@/forms/lengthText';
import { KIND_FORMS, type KindField, placesNeeded, WHOLE_LENGTH } from './lineKinds';

/** Fields of the line form as typed; a kind uses those it needs. */
export interface LineFields {
  kind: LineKind;
  name: string;
  runOn: boolean;
  datum: string;
  points: { along: string; above: string }[];
  /** Values besides places, by the keys of the job file. */
  values: Record<string, string>;
  /** Lines the ends stop at; empty where they do not. */
  startOn: string;
  endOn: string;
}

/** What came of reading the form: the line, or what is wrong by field. */
export type LineRead =
  | { readonly ok: true; readonly line: TrimLine }
  | { readonly ok: false; readonly faults: Readonly<Record<string, string>> };

const emptyPlace = () => ({ along: '', above: '' });

/** What the form opens with: the line, or a new one. */
export function lineFields(
  line: TrimLine | null,
  part: Pick<Part, 'datums' | 'lines'>,
  unit: 'mm' | 'in',
  newName: string,
): LineFields {
  const kind = line?.kind ?? 'straight';
  const other = part.lines.find(({ id }) => id !== line?.id)?.id ?? '';
  const starts = Object.fromEntries(
    Object.values(KIND_FORMS).flatMap(({ fields }) =>
      fields.map(({ key, start, as }) => [
        key,
        start ?? (as === 'line' ? other : as === 'lineOrEdge' && other ? `line:${other}` : ''),
      ]),
    ),
  );
  return {
    kind,
    name: line?.name ?? newName,
    runOn: line?.runOn ?? true,
    datum: line && 'datum' in line ? line.datum : part.datums[0]!.id,
    points: line ? placesOf(line, unit) : [emptyPlace(), emptyPlace()],
    values: { ...starts, ...(line ? valuesOf(line, unit) : {}) },
    startOn: line?.startOn ?? '',
    endOn: line?.endOn ?? '',
  };
}

type AnyLine = Readonly<Record<string, unknown>>;
type Pair = Readonly<Record<string, number>>;

function placesOf(line: TrimLine, unit: 'mm' | 'in'): LineFields['points'] {
  const fields = line as AnyLine;
  const { places, placeWords } = KIND_FORMS[line.kind];
  const pairs =
    places === 'many'
      ? (fields.points as Pair[])
      : places === 'arc'
        ? [fields.from, fields.through, ...((fields.also as Pair[]) ?? []), fields.to]
        : places.map(({ key }) => fields[key]);
  return (pairs as Pair[]).map((pair) => ({
    along: lengthText(pair[placeWords[0]]!, unit),
    above: lengthText(pair[placeWords[1]]!, unit),
  }));
}

function valuesOf(line: TrimLine, unit: 'mm' | 'in'): Record<string, string> {
  if (line.kind === 'parallel') {
    const source = typeof line.of === 'string' ? `line:${line.of}` : `edge:${line.of.edge}`;
    return { of: source, distance: lengthText(Math.abs(line.offset), unit), side: line.offset > 0 ? 'left' : 'right' };
  }
  if (line.kind === 'continuation') return { of: `${line.part}/${line.of}`, end: line.end, mode: line.mode };
  return Object.fromEntries(
    KIND_FORMS[line.kind].fields.map(({ key, as }) => {
      const value = (line as AnyLine)[key];
      return [
        key,
        typeof value === 'number' ? (isLength(as) ? lengthText(value, unit) : String(value)) : String(value ?? ''),
      ];
    }),
  );
}

const isLength = (as: KindField['as']): boolean => as === 'length' || as === 'distance' || as === 'coordinate';

/** Parses the form. Faults are reported at the fields: `points.0.along`, `values.radius`. */
export function readLine(fields: LineFields, id: string, before: TrimLine | null, context: LengthContext): LineRead {
  const form = KIND_FORMS[fields.kind];
  const faults: Record<string, string> = {};
  const pairs = readPlaces(fields, context, faults);
  const values = readValues(fields, context, faults);
  const draft = {
    kind: fields.kind,
    id,
    name: fields.name,
    runOn: form.ends && fields.runOn,
    ...(form.ends && fields.startOn ? { startOn: fields.startOn } : {}),
    ...(form.ends && fields.endOn ? { endOn: fields.endOn } : {}),
    ...(before?.hidden === undefined ? {} : { hidden: before.hidden }),
    ...(before?.locked === undefined ? {} : { locked: before.locked }),
    ...(form.datum ? { datum: fields.datum } : {}),
    ...(fields.kind === 'imported' && before?.kind === 'imported' ? { paths: before.paths } : {}),
    ...placed(fields.kind, pairs),
    ...withSpecials(fields.kind, values),
  };
  const checked = checkAgainst(lineSchema, draft);
  if (checked.ok && Object.keys(faults).length === 0) return { ok: true, line: checked.value };
  // What cannot be read stands as 0 or is missing for now, and has its own words already.
  if (!checked.ok) for (const fault of checked.faults) faults[fieldOf(fault.path, fields.kind)] ??= faultText(fault);
  return { ok: false, faults };
}

function readPlaces({ kind, points }: LineFields, context: LengthContext, faults: Record<string, string>): Pair[] {
  const words = KIND_FORMS[kind].placeWords;
  return points.map((point, index) => {
    const read = (axis: 'along' | 'above') => {
      const reading = readLength(point[axis], context);
      if (!reading.ok) faults[`points.${index}.${axis}`] = faultText(reading.why);
      return reading.ok ? reading.value : 0;
    };
    return { [words[0]]: read('along'), [words[1]]: read('above') };
  });
}

function readValues(
  { kind, values }: LineFields,
  context: LengthContext,
  faults: Record<string, string>,
): Record<string, unknown> {
  const lineValues: Record<string, unknown> = {};
  for (const field of KIND_FORMS[kind].fields) {
    const text = (values[field.key] ?? '').trim();
    if (text === '' && field.optional) continue;
    if (kind === 'bands' && text === UNKNOWN) continue;
    const reading = isLength(field.as) ? readLength(text, context) : readPlain(text, field);
    if (reading.ok) lineValues[field.key] = reading.value;
    else faults[`values.${field.key}`] = faultText(reading.why);
  }
  return kind === 'bands' ? withBandFound(lineValues, values, faults) : lineValues;
}

/** Placeholder of the value to compute. */
const UNKNOWN = '?';
const BAND_VALUES: readonly BandUnknown[] = ['count', 'width', 'gap', 'margin'];

/** Finds the one value of bands that is written as `?`, from the length they are spread over. */
function withBandFound(
  lineValues: Record<string, unknown>,
  typed: LineFields['values'],
  faults: Record<string, string>,
): Record<string, unknown> {
  const { [WHOLE_LENGTH]: whole, ...values } = lineValues;
  const unknown = BAND_VALUES.filter((key) => (typed[key] ?? '').trim() === UNKNOWN);
  if (unknown.length === 0) return values;
  if (unknown.length > 1 || whole === undefined) {
    faults[`values.${whole === undefined ? WHOLE_LENGTH : unknown[1]}`] =
      whole === undefined ? 'say over which length, so that ? can be found' : 'only one value can be found at a time';
    return values;
  }
  const number = (key: string) => (typeof values[key] === 'number' ? (values[key] as number) : 0);
  const solved = solveBands(
    {
      lengthMm: whole as number,
      count: number('count'),
      widthMm: number('width'),
      gapMm: number('gap'),
      marginMm: number('margin'),
    },
    unknown[0]!,
  );
  if (!solved.ok) {
    faults[`values.${unknown[0]}`] = faultText(
      message('ask.bands', {
        why: solved.why,
        nearest: solved.nearest.map(({ lengthMm: _, ...bands }) => message('ask.bands-of', bands)),
      }),
    );
    return values;
  }
  const { count, widthMm, gapMm, marginMm } = solved.value;
  return { ...values, count, width: widthMm, gap: gapMm, margin: marginMm };
}

function readPlain(text: string, { as, label }: KindField): Reading<unknown> {
  if (as === 'angle' || as === 'count' || as === 'ratio') return readNumber(text);
  if (text === '')
    return readFailed(
      message('field.other', {
        message: as === 'letters' ? 'letters are missing' : phrase`choose: ${label.toLowerCase()}`,
      }),
    );
  return { ok: true, value: as === 'letters' ? text.toUpperCase() : text };
}

/** Places under the keys the job file has for them. */
function placed(kind: LineKind, pairs: readonly Pair[]): Record<string, unknown> {
  const { places } = KIND_FORMS[kind];
  if (places === 'many') return { points: pairs };
  if (places !== 'arc') return Object.fromEntries(places.map(({ key }, index) => [key, pairs[index]]));
  const [from, through, ...rest] = pairs;
  return { from, through, ...(rest.length > 1 ? { also: rest.slice(0, -1) } : {}), to: rest[rest.length - 1] };
}

/** Values whose typed form differs from the stored one. */
function withSpecials(kind: LineKind, values: Record<string, unknown>): Record<string, unknown> {
  if (kind === 'parallel') {
    const [what, id] = splitOnce(String(values.of), ':');
    const distance = values.distance as number;
    return { of: what === 'edge' ? { edge: Number(id) } : id, offset: values.side === 'left' ? distance : -distance };
  }
  if (kind === 'continuation') {
    const [part, of] = splitOnce(String(values.of), '/');
    return { ...values, part, of };
  }
  return kind === 'ellipse' ? { height: values.width, ...values } : values;
}

const splitOnce = (text: string, separator: string): [string, string] => [
  text.slice(0, text.indexOf(separator)),
  text.slice(text.indexOf(separator) + 1),
];

/** The field a fault of the schema belongs to. */
function fieldOf(path: string, kind: LineKind): string {
  const { places, placeWords, fields } = KIND_FORMS[kind];
  if (path === 'offset') return 'values.distance';
  const [first = '', rest] = path.split('.');
  const axis = rest === placeWords[1] ? 'above' : 'along';
  const index = Array.isArray(places) ? places.findIndex(({ key }) => key === first) : -1;
  if (index >= 0) return `points.${index}.${axis}`;
  if (first === 'from' || first.startsWith('points') || first === 'through' || first === 'to')
    return `points.${Number(/\d+/.exec(first)?.[0] ?? 0)}.${axis}`;
  return fields.some(({ key }) => key === first) ? `values.${first}` : first;
}

/** Fits the number of place fields to a kind of line, keeping what was typed. */
export function fittedPoints(points: LineFields['points'], kind: LineKind): LineFields['points'] {
  const { least, most } = placesNeeded(kind);
  const kept =
    points.length > most
      ? most > 1
        ? [...points.slice(0, most - 1), points[points.length - 1]!]
        : points.slice(0, most)
      : points;
  return [...kept, ...Array.from({ length: Math.max(0, least - kept.length) }, emptyPlace)];
}
