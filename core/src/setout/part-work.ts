import type { Point } from '../curves';
import { areaAt, areaIds, arrange, chosenFinishes, mirroredArrangement, tooManyMeetings, type Arrangement } from '../areas';
import { attachedParts, worksKeys, type Design, type Part, type PartAreaChoice, type Present } from '../job';
import { followedBy, type ResolvedLine, type SetOut } from '../lines';
import { ended } from '../units';
import { kept, newWorkStore, recalled, setOutsOf, type Worked, type WorkStore } from './store';

/** A part with everything worked out that the later steps need. */
export interface PartWork {
  readonly part: Part;
  /** Parts it is attached to, both ways. */
  readonly attached: readonly string[];
  readonly setOut: SetOut;
  readonly lines: readonly ResolvedLine[];
  readonly arrangement: Arrangement;
  /** Lasting ids of its areas. */
  readonly areaIds: readonly string[];
  /** One entry an area: what is on it now. */
  readonly presents: readonly Present[];
  /** One entry an area: finish, null to keep, undefined where nobody chose. */
  readonly finishes: readonly (string | null | undefined)[];
  /** Areas whose finish fades out within them, and those the clear leaves out. */
  readonly blends: readonly boolean[];
  readonly uncleared: readonly boolean[];
  readonly conflicts: ReturnType<typeof chosenFinishes>['conflicts'];
  /** Choices of the scheme whose place lies in no area. */
  readonly lost: readonly PartAreaChoice[];
}

/** Works out lines and areas of all parts and what was chosen for them. */
export const workOutParts = (design: Design, store?: WorkStore): PartWork[] => ended(workOutSteps(design, store));

/** The same in steps, a part each. */
export function* workOutSteps(design: Design, store: WorkStore = newWorkStore()): Generator<void, PartWork[]> {
  const keys = worksKeys(design.parts);
  const keyOf = (part: Part) => keys.get(part.id) as string;
  // Held from here on: between two steps others may put so much into the store that these go.
  const held = new Map<Part, Worked>();
  for (const part of design.parts) {
    const known = recalled(store.works, keyOf(part));
    if (known) held.set(part, known);
  }
  const missing = design.parts.filter((part) => !held.has(part));
  const setOuts = setOutsOf(
    design.parts,
    missing.map(({ id }) => id),
    store,
  );
  const worked = (part: Part): Worked => {
    const known = held.get(part);
    if (known) return known;
    const made = workedOut(part, setOuts.get(part.id) as SetOut, design.parts, worked);
    held.set(part, made);
    return kept(store.works, keyOf(part), made, design.parts.length);
  };
  for (const part of missing) {
    worked(part);
    yield;
  }
  const attached = attachedParts(design.parts);
  const works = design.parts.map((part): PartWork => {
    const own = worked(part);
    const asked = design.scheme.areas.filter((choice) => choice.part === part.id);
    const choices = asked.map((choice) => ({ ...choice, seed: placed(choice.seed) }));
    const { areas } = own.arrangement;
    const told = (is: (choice: PartAreaChoice) => boolean) => {
      const places = design.scheme.areas.filter((choice) => choice.part === part.id && is(choice)).map(({ seed }) => areaAt(areas, placed(seed)));
      return areas.map((_, index) => places.includes(index));
    };
    const left = part.treatment === 'leave';
    const differing = (design.presentAt ?? []).filter((one) => one.part === part.id).map((one) => ({ one, area: areaAt(areas, placed(one.seed)) }));
    const presentOn = (area: number): Present => {
      const found = differing.findLast((other) => other.area === area)?.one;
      if (!found) return part.present;
      const { system, colour, ageH, finish } = found;
      return { system, colour, ageH, ...(finish === undefined ? {} : { finish }) };
    };
    return {
      part,
      attached: attached.get(part.id) ?? [],
      ...own,
      lines: linesLaid(own),
      areaIds: areaIds(areas, own.arrangement.borders),
      presents: areas.map((_, area) => presentOn(area)),
      // A part that is left as it is keeps everything, whatever a scheme says of it.
      ...(left ? { finishes: areas.map(() => null), conflicts: [] } : chosenFinishes(areas, choices)),
      blends: part.treatment === 'blend' ? areas.map(() => true) : told(({ blend }) => blend === true),
      uncleared: told(({ clear }) => clear === false),
      lost: asked.filter(({ seed }) => areaAt(areas, placed(seed)) < 0),
    };
  });
  return works;
}

/** Lines as set out; those the areas could not be worked out with say so. */
const linesLaid = ({ setOut, arrangement }: Worked): readonly ResolvedLine[] =>
  arrangement.leftOut.length === 0
    ? setOut.lines
    : setOut.lines.map((line) => (arrangement.leftOut.includes(line.owner) ? { ...line, pieces: [], crosses: [], fault: tooManyMeetings } : line));

/** A place as the job file writes it. */
export const placed = ([x, y]: readonly [number, number]): Point => ({ x, y });

/** Areas of one part; those of a mirror image are those of the part it follows, reflected. */
function workedOut(part: Part, setOut: SetOut, parts: readonly Part[], worked: (part: Part) => Worked): Worked {
  const source = followedBy(part, parts);
  if (source && !source.opposite) return { setOut, arrangement: mirroredArrangement(worked(source).arrangement, setOut.board.reflect) };
  return { setOut, arrangement: arrange({ skin: setOut.board.drawn, openings: setOut.openings }, setOut.lines) };
}
