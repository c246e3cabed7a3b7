import { LIMITS, MAX_FAULTS, type PartId } from '../kit';
import { sourceLines, type TrimLine } from '../lines';
import { featureFault, placedFeatures, skinOf, surfaceFaults, type SurfaceMessage } from '../surface';
import { type Design, type FinishReference, finishReferences } from './design';
import { contextInterval, neighbourPart } from './edge-context';
import { type Fault, pathText } from './fault';
import type { DesignMessage } from './messages';
import type { Part } from './part';
import type { Shelf } from './shelf';

type Keys = readonly (string | number)[];
const fault = (keys: Keys, why: DesignMessage | SurfaceMessage): Fault => ({ path: pathText(keys), ...why });

/** Maximum characters of a design as JSON: whatever is stored can be written to a job file and read again. */
const MOST_DESIGN_LETTERS = 20_000_000;

/**
 * Checks what a schema cannot: unique names, valid surfaces, and that everything referenced exists.
 * A design with such faults is not saved. A line based on a missing line is not such a fault: it reports that
 * itself.
 * @param design valid by its schema
 * @param shelf null: references to the shelf are checked elsewhere, by `missingFinishes`
 * @param prefix path of the design itself
 * @returns at most MAX_FAULTS faults
 */
export function designFaults(design: Design, shelf: Pick<Shelf, 'finishes'> | null, prefix: Keys = []): Fault[] {
  if (JSON.stringify(design, null, 2).length > MOST_DESIGN_LETTERS)
    return [fault(prefix, { code: 'design.too-large', values: { million: MOST_DESIGN_LETTERS / 1e6 } })];
  const parts = new Set(design.parts.map(({ id }) => id));
  const faults = [
    ...repeated(design.parts, [...prefix, 'parts'], 'id'),
    ...design.parts.flatMap((part, index) => partFaults(part, design, [...prefix, 'parts', index])),
    ...[
      ...(design.others ?? []).map((scheme, index) => ({ scheme, at: ['others', index] as Keys })),
      { scheme: design.scheme, at: ['scheme'] as Keys },
    ].flatMap(({ scheme, at }) =>
      scheme.areas.flatMap(({ part }, index) => partFault(part, parts, [...prefix, ...at, 'areas', index, 'part'])),
    ),
    ...finishCountFaults(design, prefix),
    ...(design.choices.pins ?? []).flatMap(({ part }, index) =>
      partFault(part, parts, [...prefix, 'choices', 'pins', index, 'part']),
    ),
    ...repeated(design.choices.ownPieces ?? [], [...prefix, 'choices', 'ownPieces'], 'id'),
    ...(design.choices.ownPieces ?? []).flatMap(({ part }, index) =>
      partFault(part, parts, [...prefix, 'choices', 'ownPieces', index, 'part']),
    ),
    ...(design.presentAt ?? []).flatMap(({ part }, index) =>
      partFault(part, parts, [...prefix, 'presentAt', index, 'part']),
    ),
    ...design.parts.flatMap(({ id, attached = [] }, index) =>
      attached.flatMap((other, otherIndex) =>
        other === id
          ? [fault([...prefix, 'parts', index, 'attached', otherIndex], { code: 'design.attached-itself', values: {} })]
          : partFault(other, parts, [...prefix, 'parts', index, 'attached', otherIndex]),
      ),
    ),
    ...(shelf ? missingFinishes(finishReferences(design), shelf, prefix) : []),
  ];
  return faults.slice(0, MAX_FAULTS);
}

/** Finishes that are named and not on the shelf. */
export function missingFinishes(
  named: readonly FinishReference[],
  shelf: Pick<Shelf, 'finishes'>,
  prefix: Keys = [],
): Fault[] {
  const finishes = new Set<string>(shelf.finishes.map(({ id }) => id));
  return named
    .flatMap(({ keys, finish }) =>
      finishes.has(finish) ? [] : [fault([...prefix, ...keys], { code: 'design.no-finish', values: { finish } })],
    )
    .slice(0, MAX_FAULTS);
}

/** Schemes with more finishes than the search supports. */
function finishCountFaults({ scheme, others = [] }: Design, prefix: Keys): Fault[] {
  const schemes = [
    { areas: scheme.areas, at: ['scheme'] as Keys },
    ...others.map(({ areas }, index) => ({ areas, at: ['others', index] as Keys })),
  ];
  return schemes.flatMap(({ areas, at }) => {
    const count = new Set(areas.flatMap(({ finish }) => finish ?? [])).size;
    return count > LIMITS.finishes
      ? [
          fault([...prefix, ...at, 'areas'], {
            code: 'design.too-many-finishes',
            values: { count, max: LIMITS.finishes },
          }),
        ]
      : [];
  });
}

const partFault = (part: PartId, parts: ReadonlySet<string>, keys: Keys): Fault[] =>
  parts.has(part) ? [] : [fault(keys, { code: 'design.no-part', values: { part } })];

/**
 * Faults of a part of a design.
 * @param basePath path of the part
 */
export function partFaults(part: Part, design: Design, basePath: Keys = []): Fault[] {
  const datums = new Set(part.datums.map(({ id }) => id));
  const features = part.features ?? [];
  return [
    ...surfaceFaults(part.surface).map(({ keys, why }) => fault([...basePath, 'surface', ...keys], why)),
    ...cornerFaults(part, [...basePath, 'features']),
    ...rimFaults(part, design, [...basePath, 'rims']),
    ...repeated(part.datums, [...basePath, 'datums'], 'id'),
    ...repeated(part.lines, [...basePath, 'lines'], 'id'),
    ...repeated(features, [...basePath, 'features'], 'id'),
    ...features.flatMap((feature, index) => {
      const why = featureFault(feature);
      return [
        ...(why ? [fault([...basePath, 'features', index], why)] : []),
        ...(datums.has(feature.datum)
          ? []
          : [
              fault([...basePath, 'features', index, 'datum'], {
                code: 'design.no-datum',
                values: { datum: feature.datum },
              }),
            ]),
      ];
    }),
    ...part.lines.flatMap((line, index) => referenceFaults(line, [...basePath, 'lines', index], datums)),
    ...oppositeFaults(part, design, [...basePath, 'opposite']),
  ];
}

/** The first feature with which the openings of a part exceed the limit of corners. */
function cornerFaults({ features = [], datums }: Part, keys: Keys): Fault[] {
  let corners = 0;
  const placed = placedFeatures(features, datums);
  const first = placed.find(({ ring }) => (corners += ring?.length ?? 0) > LIMITS.rimCorners);
  if (!first) return [];
  const index = features.findIndex(({ id }) => id === first.id);
  return [fault([...keys, index], { code: 'design.rim-corners', values: { most: LIMITS.rimCorners } })];
}

const meets = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): boolean => a < d && c < b;

/** Surroundings of edges the part does not have, given twice, or leading to a missing part. */
function rimFaults(part: Part, { parts }: Design, keys: Keys): Fault[] {
  const { id, rims = [], opposite } = part;
  if (rims.length === 0) return [];
  const { surface } = (opposite?.follows && parts.find((other) => other.id === opposite.of)) || part;
  const edges = surfaceFaults(surface).length > 0 ? Infinity : skinOf(surface).edges.length;
  return rims.flatMap((rim, index) => {
    const { edge } = rim;
    const other = neighbourPart(rim);
    const [from, to] = contextInterval(rim, Infinity);
    const twice = rims
      .slice(0, index)
      .some((otherRim) => otherRim.edge === edge && meets(contextInterval(otherRim, Infinity), [from, to]));
    return [
      ...(edge < edges ? [] : [fault([...keys, index, 'edge'], { code: 'design.no-edge', values: { edge, edges } })]),
      ...(to > from ? [] : [fault([...keys, index, 'to'], { code: 'design.rim-backwards', values: { edge } })]),
      ...(twice ? [fault([...keys, index, 'from'], { code: 'design.rim-twice', values: { edge } })] : []),
      ...(other === id ? [fault([...keys, index, 'part'], { code: 'design.rim-itself', values: {} })] : []),
      ...(other === null || parts.some((otherPart) => otherPart.id === other)
        ? []
        : [fault([...keys, index, 'part'], { code: 'design.no-part', values: { part: other } })]),
    ];
  });
}

function referenceFaults(line: TrimLine, keys: Keys, datums: ReadonlySet<string>): Fault[] {
  const itself = sourceLines(line).includes(line.id) ? [fault(keys, { code: 'design.line-itself', values: {} })] : [];
  const datum =
    'datum' in line && !datums.has(line.datum)
      ? [fault([...keys, 'datum'], { code: 'design.no-datum', values: { datum: line.datum } })]
      : [];
  return [...itself, ...datum];
}

function oppositeFaults({ id, opposite }: Part, { parts }: Design, keys: Keys): Fault[] {
  if (!opposite?.follows) return [];
  const other = parts.find((part) => part.id === opposite.of);
  if (!other || other.id === id)
    return [fault([...keys, 'of'], { code: 'design.no-other-part', values: { part: opposite.of } })];
  return other.opposite?.follows
    ? [fault([...keys, 'of'], { code: 'design.mirror-of-mirror', values: { part: other.name } })]
    : [];
}

function repeated(items: readonly { readonly id: string }[], keys: Keys, key: string): Fault[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, index) => {
    if (id === '.' || id === '..')
      return [fault([...keys, index, key], { code: 'shelf.path-name', values: { name: id } })];
    if (seen.has(id)) return [fault([...keys, index, key], { code: 'design.used-twice', values: { id } })];
    seen.add(id);
    return [];
  });
}
