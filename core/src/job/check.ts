import { linesBehind, type TrimLine } from '../lines';
import { featureFault, placedFeatures, surfaceFaults } from '../surface';
import { MOST, MOST_FAULTS } from '../units';
import { finishesNamed, type Design } from './design';
import { pathText, type Fault } from './fault';
import type { Part } from './part';
import type { Shelf } from './shelf';

type Keys = readonly (string | number)[];
const fault = (keys: Keys, message: string): Fault => ({ path: pathText(keys), message });

/** Letters of a design as a job file writes it: what can be kept can be written to a file and read again. */
const MOST_DESIGN_LETTERS = 20_000_000;

/**
 * Checks what a schema cannot: that names are unique, surfaces sound, and everything named is there.
 * A design with such faults is not saved. Lines made from lines that are gone are no such fault: they tell it themselves.
 * @param design sound by its schema
 * @param prefix path of the design itself
 * @returns at most MOST_FAULTS of them
 */
export function designFaults(design: Design, shelf: Shelf, prefix: Keys = []): Fault[] {
  if (JSON.stringify(design, null, 2).length > MOST_DESIGN_LETTERS)
    return [fault(prefix, `is more than one job can hold (${MOST_DESIGN_LETTERS / 1e6} million letters in a job file): split it into several jobs`)];
  const finishes = new Set(shelf.finishes.map(({ id }) => id));
  const parts = new Set(design.parts.map(({ id }) => id));
  const found = [
    ...repeated(design.parts, [...prefix, 'parts'], 'id'),
    ...design.parts.flatMap((part, index) => partFaults(part, design, [...prefix, 'parts', index])),
    ...[
      ...(design.others ?? []).map((scheme, index) => ({ scheme, at: ['others', index] as Keys })),
      { scheme: design.scheme, at: ['scheme'] as Keys },
    ].flatMap(({ scheme, at }) => scheme.areas.flatMap(({ part }, index) => partFault(part, parts, [...prefix, ...at, 'areas', index, 'part']))),
    ...(design.choices.pins ?? []).flatMap(({ part }, index) => partFault(part, parts, [...prefix, 'choices', 'pins', index, 'part'])),
    ...finishesNamed(design).flatMap(({ keys, finish }) =>
      finishes.has(finish) ? [] : [fault([...prefix, ...keys], `there is no finish "${finish}" on the shelf`)],
    ),
  ];
  return found.slice(0, MOST_FAULTS);
}

const partFault = (part: string, parts: ReadonlySet<string>, at: Keys): Fault[] => (parts.has(part) ? [] : [fault(at, `there is no part "${part}"`)]);

function partFaults(part: Part, design: Design, at: Keys): Fault[] {
  const datums = new Set(part.datums.map(({ id }) => id));
  const features = part.features ?? [];
  return [
    ...surfaceFaults(part.surface).map(({ keys, message }) => fault([...at, 'surface', ...keys], message)),
    ...rimFaults(part, [...at, 'features']),
    ...repeated(part.datums, [...at, 'datums'], 'id'),
    ...repeated(part.lines, [...at, 'lines'], 'id'),
    ...repeated(features, [...at, 'features'], 'id'),
    ...features.flatMap((feature, index) => {
      const message = featureFault(feature);
      return [
        ...(message ? [fault([...at, 'features', index], message)] : []),
        ...(datums.has(feature.datum) ? [] : [fault([...at, 'features', index, 'datum'], `there is no datum "${feature.datum}" on this part`)]),
      ];
    }),
    ...part.lines.flatMap((line, index) => referenceFaults(line, [...at, 'lines', index], datums)),
    ...oppositeFaults(part, design, [...at, 'opposite']),
  ];
}

/** The first feature with which the rims of a part have more corners than are worked out. */
function rimFaults({ features = [], datums }: Part, at: Keys): Fault[] {
  let corners = 0;
  const placed = placedFeatures(features, datums);
  const first = placed.find(({ ring }) => (corners += ring?.length ?? 0) > MOST.rimCorners);
  if (!first) return [];
  const index = features.findIndex(({ id }) => id === first.id);
  return [fault([...at, index], `is one too many: openings and zones of a part may have ${MOST.rimCorners} corners together, rounds as they are drawn`)];
}

function referenceFaults(line: TrimLine, at: Keys, datums: ReadonlySet<string>): Fault[] {
  const itself = linesBehind(line).includes(line.id) ? [fault(at, 'a line cannot be made from itself')] : [];
  const datum = 'datum' in line && !datums.has(line.datum) ? [fault([...at, 'datum'], `there is no datum "${line.datum}" on this part`)] : [];
  return [...itself, ...datum];
}

function oppositeFaults({ id, opposite }: Part, { parts }: Design, at: Keys): Fault[] {
  if (!opposite?.follows) return [];
  const other = parts.find((one) => one.id === opposite.of);
  if (!other || other.id === id) return [fault([...at, 'of'], `there is no other part "${opposite.of}"`)];
  return other.opposite?.follows ? [fault([...at, 'of'], `"${other.name}" is itself a mirror image: take the part it follows`)] : [];
}

function repeated(items: readonly { readonly id: string }[], at: Keys, key: string): Fault[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, index) => {
    if (seen.has(id)) return [fault([...at, index, key], `"${id}" is used twice`)];
    seen.add(id);
    return [];
  });
}
