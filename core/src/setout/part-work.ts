import {
  areaAt,
  areaIds,
  arrange,
  type Arrangement,
  chosenFinishes,
  mirrorArrangement,
  tooManyIntersections,
} from '../areas';
import type { Place, Point } from '../curves';
import { attachedParts, type Design, geometryKeys, type Part, type PartAreaChoice, type Present } from '../job';
import { runToEnd } from '../kit';
import { mirroredPart, type ResolvedLine, type SetOut } from '../lines';
import { cachedPart, newPartCache, type PartCache, setOutCached, storeInCache, type WorkedPart } from './part-cache';

/** A part with everything later steps need. */
export interface PartWork {
  readonly part: Part;
  /** Parts it is attached to, both ways. */
  readonly attached: readonly string[];
  readonly setOut: SetOut;
  readonly lines: readonly ResolvedLine[];
  readonly arrangement: Arrangement;
  /** Lasting ids of its areas. */
  readonly areaIds: readonly string[];
  /** One entry per area: its existing finish. */
  readonly presents: readonly Present[];
  /** One entry per area: finish, null to keep, undefined if nothing was chosen. */
  readonly finishes: readonly (string | null | undefined)[];
  /** Areas whose finish fades out within them, and those the clear leaves out. */
  readonly blends: readonly boolean[];
  readonly uncleared: readonly boolean[];
  readonly conflicts: ReturnType<typeof chosenFinishes>['conflicts'];
  /** Choices of the scheme whose place lies in no area. */
  readonly lost: readonly PartAreaChoice[];
}

/** Computes lines, areas and chosen finishes of all parts. */
export const workOutParts = (design: Design, store?: PartCache): PartWork[] => runToEnd(workOutSteps(design, store));

/** The same in steps, a part each. */
export function* workOutSteps(design: Design, store: PartCache = newPartCache()): Generator<void, PartWork[]> {
  const keys = geometryKeys(design.parts);
  const keyOf = (part: Part) => keys.get(part.id) as string;
  // Held from here on: between two steps others may use the cache so much that these entries are removed.
  const held = new Map<Part, WorkedPart>();
  for (const part of design.parts) {
    const known = cachedPart(store.works, keyOf(part));
    if (known) held.set(part, known);
  }
  const missing = design.parts.filter((part) => !held.has(part));
  const setOuts = setOutCached(
    design.parts,
    missing.map(({ id }) => id),
    store,
  );
  const worked = (part: Part): WorkedPart => {
    const known = held.get(part);
    if (known) return known;
    const workedPart = workedOut(part, setOuts.get(part.id) as SetOut, design.parts, worked);
    held.set(part, workedPart);
    return storeInCache(store.works, keyOf(part), workedPart, design.parts.length);
  };
  for (const part of missing) {
    worked(part);
    yield;
  }
  const attached = attachedParts(design.parts);
  const works = design.parts.map((part): PartWork => {
    const workedPart = worked(part);
    const asked = design.scheme.areas.filter((choice) => choice.part === part.id);
    const choices = asked.map((choice) => ({ ...choice, seed: pointAsPair(choice.seed) }));
    const { areas } = workedPart.arrangement;
    const areasWhere = (is: (choice: PartAreaChoice) => boolean) => {
      const places = design.scheme.areas
        .filter((choice) => choice.part === part.id && is(choice))
        .map(({ seed }) => areaAt(areas, pointAsPair(seed)));
      return areas.map((_, index) => places.includes(index));
    };
    const left = part.treatment === 'leave';
    const differing = (design.presentAt ?? [])
      .filter((present) => present.part === part.id)
      .map((present) => ({ one: present, area: areaAt(areas, pointAsPair(present.seed)) }));
    const presentOn = (area: number): Present => {
      const differs = differing.findLast((other) => other.area === area)?.one;
      if (!differs) return part.present;
      const { system, colour, ageH, finish } = differs;
      return { system, colour, ageH, ...(finish === undefined ? {} : { finish }) };
    };
    return {
      part,
      attached: attached.get(part.id) ?? [],
      ...workedPart,
      lines: linesLaid(workedPart),
      areaIds: areaIds(areas, workedPart.arrangement.borders),
      presents: areas.map((_, area) => presentOn(area)),
      // A part left as it is keeps everything, whatever the scheme says.
      ...(left ? { finishes: areas.map(() => null), conflicts: [] } : chosenFinishes(areas, choices)),
      blends: part.treatment === 'blend' ? areas.map(() => true) : areasWhere(({ blend }) => blend === true),
      uncleared: areasWhere(({ clear }) => clear === false),
      lost: asked.filter(({ seed }) => areaAt(areas, pointAsPair(seed)) < 0),
    };
  });
  return works;
}

/** Resolved lines; those the areas could not be computed with report that. */
const linesLaid = ({ setOut, arrangement }: WorkedPart): readonly ResolvedLine[] =>
  arrangement.leftOut.length === 0
    ? setOut.lines
    : setOut.lines.map((line) =>
        arrangement.leftOut.includes(line.owner)
          ? { ...line, pieces: [], crosses: [], fault: tooManyIntersections }
          : line,
      );

/** A place as the job file writes it. */
export const pointAsPair = ([x, y]: Place): Point => ({ x, y });

/** Areas of one part; those of a mirror image are those of the part it follows, reflected. */
function workedOut(part: Part, setOut: SetOut, parts: readonly Part[], worked: (part: Part) => WorkedPart): WorkedPart {
  const source = mirroredPart(part, parts);
  if (source && !source.opposite)
    return { setOut, arrangement: mirrorArrangement(worked(source).arrangement, setOut.board.reflect) };
  return { setOut, arrangement: arrange({ skin: setOut.board.drawn, openings: setOut.openings }, setOut.lines) };
}
