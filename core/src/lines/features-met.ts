import { rectClip } from 'clipper2-ts';
import { boundingBox, isInsideRing, type Path, pathCrossings, type Point, pointAt, straightPath } from '../curves';
import { MAX_DISTANCE_MM, TOLERANCE } from '../kit';
import type { FeatureKind, PlacedFeature, Skin } from '../surface';
import { outlineCrossings } from './trim';

/** A feature on the way of a line: a crossing where `from` and `to` are the same, else the stretch that lies in a zone. */
export interface FeatureCrossing {
  readonly feature: string;
  readonly name: string;
  readonly kind: FeatureKind;
  /** Of a crease: which way it bends. */
  readonly bend: PlacedFeature['bend'];
  /** Distances along the line, mm. */
  readonly from: number;
  readonly to: number;
}

/** Finds the features a line meets, in order along it. Openings count where the line stops at their outline. */
export function featureCrossings(pieces: readonly Path[], features: readonly PlacedFeature[]): FeatureCrossing[] {
  const crossings = features.flatMap((feature) => {
    const say = (from: number, to: number): FeatureCrossing => ({
      feature: feature.id,
      name: feature.name,
      kind: feature.kind,
      bend: feature.bend,
      from,
      to,
    });
    const { row, ring } = feature;
    const straight = row && straightPath(row[0], row[1]);
    if (straight)
      return pieces.flatMap((piece) => pathCrossings(piece, straight).map(({ onFirst }) => say(onFirst, onFirst)));
    if (!ring) return [];
    if (feature.kind === 'opening')
      return pieces.slice(1).flatMap((piece, index) => openingBetween(pieces[index]!, piece, ring, say));
    return pieces.flatMap((piece) => stretchesIn(piece, ring).map(([from, to]) => say(from, to)));
  });
  return crossings.sort((a, b) => a.from - b.from || a.to - b.to);
}

/** Two pieces of one line with an opening between them. */
function openingBetween(
  before: Path,
  after: Path,
  ring: readonly Point[],
  say: (from: number, to: number) => FeatureCrossing,
): FeatureCrossing[] {
  const [from, to] = [before.at(-1)!, after[0]!];
  const across =
    to.at - from.at > TOLERANCE.grid && isInsideRing({ x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }, ring);
  return across ? [say(from.at, to.at)] : [];
}

function stretchesIn(piece: Path, ring: readonly Point[]): [number, number][] {
  const stops = [piece[0]!.at, ...outlineCrossings(piece, ring).sort((a, b) => a - b), piece.at(-1)!.at];
  return stops.slice(1).flatMap((to, index): [number, number][] => {
    const from = stops[index]!;
    return to - from > TOLERANCE.grid && isInsideRing(pointAt(piece, (from + to) / 2), ring) ? [[from, to]] : [];
  });
}

/** Outlines of the openings on a sheet; one across the seam of a round surface appears on each side. */
export function openingRings(features: readonly PlacedFeature[], skin: Skin): (readonly Point[])[] {
  const rings = features.flatMap(({ kind, ring }) => (kind === 'opening' && ring ? [ring] : []));
  const { seam } = skin;
  if (!seam) return rings.flatMap(withinReach);
  const box = boundingBox(skin.ring);
  const touches = (ring: readonly Point[]) => {
    const ownBox = boundingBox(ring);
    return ownBox.minX < box.maxX && ownBox.maxX > box.minX && ownBox.minY < box.maxY && ownBox.maxY > box.minY;
  };
  return rings
    .flatMap((ring) => [-1, 0, 1].map((count) => ring.map((place) => seam.unwound(place, count))).filter(touches))
    .flatMap(withinReach);
}

/** The part of an outline within the supported range: that of an opening may lie far beside its part. */
function withinReach(ring: readonly Point[]): (readonly Point[])[] {
  if (ring.every(({ x, y }) => Math.abs(x) <= MAX_DISTANCE_MM && Math.abs(y) <= MAX_DISTANCE_MM)) return [ring];
  const [grid, reach] = [1 / TOLERANCE.grid, MAX_DISTANCE_MM / TOLERANCE.grid];
  const kept = rectClip({ left: -reach, top: -reach, right: reach, bottom: reach }, [
    ring.map(({ x, y }) => ({ x: Math.round(x * grid), y: Math.round(y * grid) })),
  ]);
  return kept.map((path) => path.map(({ x, y }) => ({ x: x / grid, y: y / grid })));
}
