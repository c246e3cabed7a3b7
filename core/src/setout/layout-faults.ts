import { areaAt } from '../areas';
import { type Design, type Fault, pathText } from '../job';
import { MAX_FAULTS, type PartId } from '../kit';
import { type PartWork, pointAsPair, workOutParts } from './part-work';

type Keys = readonly (string | number)[];

/**
 * Faults that show only after lines and areas are computed: lines that are not on the part or cannot be laid out,
 * and finishes and pins whose point lies in no area. They do not prevent saving, since changing a part may cause
 * them; they are shown where they can be fixed.
 * @param prefix path of the design itself
 * @returns at most MAX_FAULTS faults
 */
export function layoutFaults(design: Design, prefix: Keys = []): Fault[] {
  const works = workOutParts(design);
  const lines = works.flatMap(({ part, lines: laid }, index) =>
    laid.flatMap(({ owner, fault }) => {
      const lineIndex = part.lines.findIndex(({ id }) => id === owner);
      return fault === null ? [] : [{ path: pathText([...prefix, 'parts', index, 'lines', lineIndex]), ...fault }];
    }),
  );
  const schemes = [
    { scheme: design.scheme, at: ['scheme'] as Keys },
    ...(design.others ?? []).map((scheme, index) => ({ scheme, at: ['others', index] as Keys })),
  ];
  const places = schemes.flatMap(({ scheme, at }) => lostPlaces(scheme.areas, [...prefix, ...at, 'areas'], works));
  const pins = lostPlaces(design.choices.pins ?? [], [...prefix, 'choices', 'pins'], works);
  return oncePerLine([...lines, ...places, ...pins]).slice(0, MAX_FAULTS);
}

function lostPlaces(
  places: readonly { readonly part: PartId; readonly seed: readonly [number, number] }[],
  keys: Keys,
  works: readonly PartWork[],
): Fault[] {
  return places.flatMap(({ part, seed }, index) => {
    const work = works.find((partWork) => partWork.part.id === part);
    if (!work || areaAt(work.arrangement.areas, pointAsPair(seed)) >= 0) return [];
    return [
      {
        path: pathText([...keys, index, 'seed']),
        code: 'design.no-area',
        values: { alongMm: seed[0], aboveMm: seed[1], part: work.part.name },
      },
    ];
  });
}

/** A line of many strokes reports a fault once. */
const oncePerLine = (faults: readonly Fault[]): Fault[] =>
  faults.filter(({ path, code }, index) => !(faults[index - 1]?.path === path && faults[index - 1]!.code === code));
