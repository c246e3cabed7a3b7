import { areaAt, areaIds, arrange, chosenFinishes, mirroredArrangement, tooManyMeetings, neighboursOf, type Arrangement } from '../areas';
import type { Finish } from '../finish';
import { attachedParts, worksKeys, type Design, type Part, type PartAreaChoice, type Present } from '../job';
import { corners, followedBy, inflections, pathLength, pointAt, setOutParts, tightestBend, type Path, type ResolvedLine, type SetOut } from '../lines';
import { measureFrom, onSheet, placeOf, type Datum, type Point, type Sheet } from '../surface';
import type { Coordinates, LinePlace, LinePlan, PartPlan } from './types';
import { largest, smallest } from '../units';

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

/** Lines and areas worked out before, by what they follow from; a caller may keep one so that only what changed is done anew. */
export type WorkStore = Map<string, Worked>;

interface Worked {
  readonly setOut: SetOut;
  readonly arrangement: Arrangement;
}

/** Works out lines and areas of all parts and what was chosen for them. */
export function workOutParts(design: Design, store: WorkStore = new Map()): PartWork[] {
  const keys = worksKeys(design.parts);
  const keyOf = (part: Part) => keys.get(part.id) as string;
  const fresh = setOutParts(
    design.parts,
    design.parts.filter((part) => !store.has(keyOf(part))).map(({ id }) => id),
  );
  const worked = (part: Part): Worked => {
    const known = store.get(keyOf(part));
    if (known) return known;
    const made = workedOut(part, fresh.get(part.id) as SetOut, design.parts, worked);
    store.set(keyOf(part), made);
    return made;
  };
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
  const used = new Set(keys.values());
  for (const key of [...store.keys()]) if (!used.has(key)) store.delete(key);
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
  return { setOut, arrangement: arrange({ sheet: setOut.board.drawn, openings: setOut.openings }, setOut.lines) };
}

/** Writes a worked-out part into the plan. */
export function partPlan(work: PartWork, finishes: ReadonlyMap<string, Finish>): PartPlan {
  const { part, setOut, arrangement } = work;
  const { board } = setOut;
  const ring = board.drawn.ring.map(coordinates);
  return {
    id: part.id,
    name: part.name,
    count: part.count,
    kind: board.drawn.kind,
    ring,
    mirrored: board.mirrored,
    openings: setOut.openings.map((rim) => rim.map(coordinates)),
    features: setOut.features.map(({ id, name, kind, ring: zone, row }) => ({
      id,
      name,
      kind,
      places: (zone ?? row ?? []).map(coordinates),
      closed: zone !== null,
    })),
    folds: (board.drawn.net?.panels ?? []).flatMap(({ fold }) => (fold ? [[board.reflect(fold.a), board.reflect(fold.b)].map(coordinates)] : [])),
    seams: seamsOf(board.drawn).map((seam) => seam.map(coordinates)),
    datums: board.shape.datums.map((datum) => ({ id: datum.id, name: datum.name, places: datumLine(datum, work).map(coordinates) })),
    edges: board.drawn.edges.map(({ name }) => name),
    lost: work.lost.map(({ seed, finish }) => ({ seed, finish })),
    sizeM2: arrangement.areas.reduce((sum, { sizeMm2 }) => sum + sizeMm2, 0) / 1e6,
    present: part.present.colour,
    attached: work.attached,
    lines: work.lines.map((line) => linePlan(line, work)),
    borders: arrangement.borders.map(({ line, from, to, left, right }) => ({
      line,
      from,
      to,
      left: arrangement.areas[left].code,
      right: arrangement.areas[right].code,
    })),
    areas: arrangement.areas.map((area, index) => {
      const finish = work.finishes[index];
      const present = work.presents[index];
      return {
        id: work.areaIds[index],
        code: area.code,
        present: present.system === 'bare' ? null : { system: present.system, colour: present.colour, ageH: present.ageH },
        ownPresent: present !== part.present,
        shows: present.colour,
        rings: area.rings.map((one) => one.map(coordinates)),
        sizeM2: area.sizeMm2 / 1e6,
        perimeterMm: area.perimeterMm,
        neighbours: neighboursOf(index, arrangement.borders).map(({ area: other, lengthMm, lines }) => ({
          area: arrangement.areas[other].code,
          lengthMm,
          lines: lines.map((id) => codeOf(id, work)),
        })),
        seed: coordinates(area.seed),
        sliver: area.sliver,
        finish: finish ?? null,
        chosen: finish !== undefined,
        blend: work.blends[index],
        uncleared: work.uncleared[index],
        colour: (finish && finishes.get(finish)?.colour) || present.colour,
      };
    }),
  };
}

/** From the near end to the far one along both edges that meet. */
function seamsOf(sheet: Sheet): Point[][] {
  const { round } = sheet;
  if (!round) return [];
  return [-Math.PI, Math.PI].map((angle) => [0, round.lengthMm].map((along) => onSheet(sheet, { along, angle })));
}

const codeOf = (id: string, { lines }: PartWork): string => lines.find((line) => line.id === id)?.code ?? id;
const coordinates = ({ x, y }: Point): Coordinates => [x, y];
const linePlaces = (piece: Path): LinePlace[] => piece.map(({ x, y, at }) => [x, y, at]);

/** A datum drawn right across its part. */
function datumLine(datum: Datum, { setOut }: PartWork): Point[] {
  const { measured, reflect } = setOut.board;
  const reach = measured.ring.map((place) => measureFrom(datum, place).along);
  return [Math.min(0, smallest(reach)), largest(reach)].map((along) => reflect(placeOf(datum, { along, above: 0 })));
}

function linePlan(line: ResolvedLine, { setOut, arrangement }: PartWork): LinePlan {
  const made = setOut.board.shape.lines.find(({ id }) => id === line.owner);
  const tightest = line.pieces
    .flatMap((piece) => {
      const bend = tightestBend(piece);
      return bend ? [{ ...bend, place: coordinates(pointAt(piece, bend.at)) }] : [];
    })
    .sort((a, b) => a.radiusMm - b.radiusMm)[0];
  return {
    id: line.id,
    owner: line.owner,
    code: line.code,
    name: made?.name ?? line.id,
    kind: made?.kind ?? 'straight',
    hidden: made?.hidden ?? false,
    locked: made?.locked ?? false,
    pieces: line.pieces.map(linePlaces),
    lengthMm: line.pieces.reduce((sum, piece) => sum + pathLength(piece), 0),
    tightest: tightest ?? null,
    inflections: line.pieces.flatMap((piece) => inflections(piece)),
    corners: line.pieces.flatMap((piece) => corners(piece)),
    crosses: line.crosses,
    fault: line.fault,
    looseMm: arrangement.loose.find((loose) => loose.line === line.id)?.lengthMm ?? 0,
  };
}
