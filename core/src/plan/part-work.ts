import { arrange, chosenFinishes, type Arrangement } from '../areas';
import type { Design, Part } from '../job';
import { inflections, pointAt, resolveLines, tightestBend, type ResolvedLine } from '../lines';
import { outlineRing, ringArea, type Point } from '../surface';
import type { Finish } from '../finish';
import type { Coordinates, LinePlan, PartPlan } from './types';

/** A part with everything worked out that the later steps need. */
export interface PartWork {
  readonly part: Part;
  readonly ring: readonly Point[];
  readonly lines: readonly ResolvedLine[];
  readonly arrangement: Arrangement;
  /** One entry an area: finish, null to keep, undefined where nobody chose. */
  readonly finishes: readonly (string | null | undefined)[];
  readonly conflicts: ReturnType<typeof chosenFinishes>['conflicts'];
}

/** Works out lines and areas of a part and what was chosen for them. */
export function workOutPart(part: Part, design: Design): PartWork {
  const ring = outlineRing(part.surface.outline);
  const lines = resolveLines(part.lines, { ring, datums: part.datums });
  const arrangement = arrange(ring, lines);
  const choices = design.scheme.areas.filter((choice) => choice.part === part.id).map(({ seed: [x, y], finish }) => ({ seed: { x, y }, finish }));
  return { part, ring, lines, arrangement, ...chosenFinishes(arrangement.areas, choices) };
}

/** Writes a worked-out part into the plan. */
export function partPlan(work: PartWork, finishes: ReadonlyMap<string, Finish>): PartPlan {
  const { part, ring, arrangement } = work;
  return {
    id: part.id,
    name: part.name,
    count: part.count,
    ring: ring.map(coordinates),
    sizeM2: ringArea(ring) / 1e6,
    present: part.present.colour,
    lines: work.lines.map((line, index) => linePlan(line, index, work)),
    areas: arrangement.areas.map((area, index) => {
      const finish = work.finishes[index];
      return {
        code: area.code,
        rim: area.rim.map(coordinates),
        holes: area.holes.map((hole) => hole.map(coordinates)),
        sizeM2: area.sizeMm2 / 1e6,
        perimeterMm: area.perimeterMm,
        seed: coordinates(area.seed),
        sliver: area.sliver,
        finish: finish ?? null,
        chosen: finish !== undefined,
        colour: (finish && finishes.get(finish)?.colour) || part.present.colour,
      };
    }),
  };
}

const coordinates = ({ x, y }: Point): Coordinates => [x, y];

function linePlan(line: ResolvedLine, index: number, { part, arrangement }: PartWork): LinePlan {
  const { name, kind } = part.lines[index];
  const tightest = line.pieces
    .flatMap((piece) => {
      const bend = tightestBend(piece);
      return bend ? [{ ...bend, place: coordinates(pointAt(piece, bend.at)) }] : [];
    })
    .sort((a, b) => a.radiusMm - b.radiusMm)[0];
  return {
    id: line.id,
    code: line.code,
    name,
    kind,
    pieces: line.pieces.map((piece) => piece.map(coordinates)),
    lengthMm: line.pieces.reduce((sum, piece) => sum + piece[piece.length - 1].at - piece[0].at, 0),
    tightest: tightest ?? null,
    inflections: line.pieces.flatMap((piece) => inflections(piece)),
    fault: line.fault,
    looseMm: arrangement.loose.find((loose) => loose.line === line.id)?.lengthMm ?? 0,
  };
}
