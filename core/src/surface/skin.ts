import type { Path, PathPoint, Point } from '../curves';
import { firstItem, lastItem } from '../kit';
import type { EdgeName, EdgePosition } from './messages';
import type { Metric } from './metric';
import type { PartPlane } from './plane';
import type { RevolutionAxis } from './revolution-axis';
import type { Seam } from './seam';
import type { SpacePoint } from './space';

/** Kinds of surface, in the order they are offered. */
export const SURFACE_KINDS = ['flat', 'tube', 'cone', 'turned', 'folded'] as const;
export type SurfaceKind = (typeof SURFACE_KINDS)[number];

/**
 * A developed surface: outline and seam, geodesics, metric of its drawing, plane cuts, and points in space. Its
 * sheet is seen from outside, x to the right, y up, mm. Every kind of surface makes one; later steps use only this
 * interface, never the kind.
 */
export interface Skin {
  /** For names and pictures alone. */
  readonly kind: SurfaceKind;
  /** Outline, anticlockwise, round edges flattened. */
  readonly ring: readonly Point[];
  /** Edges of the outline that lines may follow: the way they were typed, or the ends of a round surface. */
  readonly edges: readonly SkinEdge[];
  /** Fold lines, for the drawing. */
  readonly folds: readonly (readonly [Point, Point])[];
  /** How it closes on itself; null where it does not. */
  readonly seam: Seam | null;
  /** What it is turned about; null where it is not turned. */
  readonly axle: RevolutionAxis | null;
  /** What lengths, bends and sizes on the drawing really are; null where the drawing is true. */
  readonly metric: Metric | null;
  /** Outlines a line is cut at, and whether a point on none of them is on the part. */
  readonly rims: readonly (readonly Point[])[];
  readonly holds: (place: Point) => boolean;
  /** Where one gets by walking straight on: heading in radians from x, length in mm on the skin. */
  readonly walk: (from: Point, heading: number, lengthMm: number) => Point;
  /** The straight line between two places, as a tape lies that is not steered; null where they are one, or none is found. */
  readonly between: (from: Point, to: Point) => Path | null;
  /** Places straight on from an end of a line until the part is left; direction as along the line. Without the end itself. */
  readonly onward: (end: PathPoint, forward: boolean) => PathPoint[];
  /** Its intersection with a plane, not yet cut at outline or seam; empty if it misses. */
  readonly cut: (plane: PartPlane) => Path[];
  /** Place on the part, and outward direction there; the part's own directions, mm. */
  readonly inSpace: (place: Point) => PlacedPoint;
  /** Takes a place to where it is on the skin of the opposite part: left for right, or round the other way. The same both ways. */
  readonly reflect: (place: Point) => Point;
  /** Its visible boundary: the outline, or both ends of a round one; closed. */
  readonly shownRims: () => readonly (readonly Point[])[];
  /** Facets for viewing; null if an area is drawn as it is. */
  readonly facets: SkinFacets | null;
}

export interface SkinEdge {
  readonly name: EdgeName;
  /** In the direction that has the part on its left. */
  readonly places: readonly Point[];
  readonly closed: boolean;
}

export interface PlacedPoint {
  readonly at: SpacePoint;
  readonly out: SpacePoint;
}

/** A skin as facets over shares 0…1 of its length and of its height or girth. */
export interface SkinFacets {
  readonly placeAt: (along: number, up: number) => Point;
  readonly holds: (place: Point) => boolean;
  /** True if neighbours along it may share a facet: there is no fold in between. */
  readonly long: boolean;
}

/** A numbered edge by where it is on the drawing; its places have the part on their left. */
export function numberedEdge(number: number, places: readonly Point[]): SkinEdge {
  const [from, to] = [firstItem(places), lastItem(places)];
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const seen: EdgePosition = Math.abs(dx) >= Math.abs(dy) ? (dx > 0 ? 'bottom' : 'top') : dy > 0 ? 'right' : 'left';
  return { name: { code: 'edge.numbered', values: { number, seen } }, places, closed: false };
}

/** A skin as its mirror image, seen from outside: its outline and edges; walking, cutting and space are asked of the one measured. */
export function mirrorSkin(skin: Skin): Skin {
  const { reflect } = skin;
  const turned = (places: readonly Point[]) => places.map(reflect).reverse();
  return {
    ...skin,
    ring: turned(skin.ring),
    edges: skin.edges.map(({ name, places, ...edge }) =>
      name.code === 'edge.numbered'
        ? numberedEdge(name.values.number, turned(places))
        : { ...edge, name, places: turned(places) },
    ),
    folds: skin.folds.map(([a, b]) => [reflect(a), reflect(b)]),
    rims: skin.rims.map(turned),
    holds: (place) => skin.holds(reflect(place)),
    inSpace: (place) => skin.inSpace(reflect(place)),
    shownRims: () => skin.shownRims().map(turned),
    facets: skin.facets && { ...skin.facets, holds: (place) => (skin.facets as SkinFacets).holds(reflect(place)) },
  };
}
