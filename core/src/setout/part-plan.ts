import { neighboursOf } from '../areas';
import {
  cornerDistances,
  inflections,
  type Path,
  pathLength,
  type Place,
  type Point,
  pointAt,
  tightestBend,
} from '../curves';
import type { Finish } from '../finish';
import { maxOf, minOf } from '../kit';
import type { ResolvedLine } from '../lines';
import { type Datum, measurementOfPoint, pointOfMeasurement } from '../surface';
import type { PartWork } from './part-work';
import type { AreaPlan, LinePlan, LinePoint, PartPlan } from './types';

/**
 * The plan of a computed part.
 * @param rims its surroundings, if they were computed
 */
export function partPlan(work: PartWork, finishes: ReadonlyMap<string, Finish>, rims: PartPlan['rims'] = []): PartPlan {
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
    folds: board.drawn.folds.map((fold) => fold.map(coordinates)),
    seams: (board.drawn.seam?.edges ?? []).map((edge) => edge.map(coordinates)),
    datums: board.shape.datums.map((datum) => ({
      id: datum.id,
      name: datum.name,
      places: datumLine(datum, work).map(coordinates),
    })),
    edges: board.drawn.edges.map(({ name }) => name),
    edgePlaces: board.drawn.edges.map(({ places }) => places.map(coordinates)),
    rims,
    lost: work.lost.map(({ seed, finish }) => ({ seed, finish })),
    sizeM2: arrangement.areas.reduce((sum, { sizeMm2 }) => sum + sizeMm2, 0) / 1e6,
    present: part.present.colour,
    attached: work.attached,
    lines: work.lines.map((line) => linePlan(line, work)),
    borders: arrangement.borders.map(({ line, from, to, left, right }) => ({
      line,
      from,
      to,
      left: arrangement.areas[left]!.code,
      right: arrangement.areas[right]!.code,
    })),
    areas: arrangement.areas.map((area, index) => {
      const finish = work.finishes[index];
      const present = work.presents[index]!;
      return {
        id: work.areaIds[index]!,
        code: area.code,
        present:
          present.system === 'bare' ? null : { system: present.system, colour: present.colour, ageH: present.ageH },
        ownPresent: present !== part.present,
        shows: present.colour,
        rings: area.rings.map((points) => points.map(coordinates)),
        sizeM2: area.sizeMm2 / 1e6,
        perimeterMm: area.perimeterMm,
        neighbours: neighboursOf(index, arrangement.borders).map(({ area: other, lengthMm, lines }) => ({
          area: arrangement.areas[other]!.code,
          lengthMm,
          lines: lines.map((id) => codeOf(id, work)),
        })),
        seed: coordinates(area.seed),
        sliver: area.sliver,
        finish: finish ?? null,
        chosen: finish !== undefined,
        blend: work.blends[index]!,
        uncleared: work.uncleared[index]!,
        colour: (finish && finishes.get(finish)?.colour) || present.colour,
      };
    }),
  };
}

const codeOf = (id: string, { lines }: PartWork): string => lines.find((line) => line.id === id)?.code ?? id;
const coordinates = ({ x, y }: Point): Place => [x, y];
const linePlaces = (piece: Path): LinePoint[] => piece.map(({ x, y, at }) => [x, y, at]);

/** A datum drawn right across its part. */
function datumLine(datum: Datum, { setOut }: PartWork): Point[] {
  const { measured, reflect } = setOut.board;
  const reach = measured.ring.map((place) => measurementOfPoint(datum, place).along);
  return [Math.min(0, minOf(reach)), maxOf(reach)].map((along) =>
    reflect(pointOfMeasurement(datum, { along, above: 0 })),
  );
}

function linePlan(line: ResolvedLine, { setOut, arrangement }: PartWork): LinePlan {
  const trimLine = setOut.board.shape.lines.find(({ id }) => id === line.owner);
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
    name: trimLine?.name ?? line.id,
    kind: trimLine?.kind ?? 'straight',
    hidden: trimLine?.hidden ?? false,
    locked: trimLine?.locked ?? false,
    pieces: line.pieces.map(linePlaces),
    lengthMm: line.pieces.reduce((sum, piece) => sum + pathLength(piece), 0),
    tightest: tightest ?? null,
    inflections: line.pieces.flatMap((piece) => inflections(piece)),
    corners: line.pieces.flatMap((piece) => cornerDistances(piece)),
    crosses: line.crosses,
    fault: line.fault,
    looseMm: arrangement.loose.find((loose) => loose.line === line.id)?.lengthMm ?? 0,
  };
}

/** Rings of an area as places. */
export const outlineOf = ({ rings }: Pick<AreaPlan, 'rings'>) => ({
  rings: rings.map((ring) => ring.map(([x, y]) => ({ x, y }))),
});
