import type { Point } from '../curves';
import {
  type Datum,
  dot,
  type Feature,
  type Frame,
  HOME_POSE,
  mirrorSkin,
  type Pose,
  rotateByPose,
  type Skin,
  skinOf,
  type SpacePoint,
  type Surface,
  toPieceSpace,
} from '../surface';
import type { TrimLine } from './line';

/** A part as far as lines are concerned. */
export interface PartShape {
  readonly id: string;
  readonly name: string;
  readonly surface: Surface;
  readonly datums: readonly Datum[];
  readonly lines: readonly TrimLine[];
  readonly features?: readonly Feature[];
  readonly pose?: Pose;
  /** Mirror image of another part; while it follows, shape and lines are the other's. */
  readonly opposite?: { readonly of: string; readonly follows: boolean };
}

/** A part laid out on its sheet, before its lines: what is measured on it, and where it is on the whole piece. */
export interface PartFrame {
  readonly shape: PartShape;
  /** The sheet measurements refer to. */
  readonly measured: Skin;
  /** The sheet as drawn: its mirror image for an opposite part. */
  readonly drawn: Skin;
  readonly mirrored: boolean;
  /** Changes a place between the two; the same both ways. */
  readonly reflect: (place: Point) => Point;
  /** Frame of the part that is measured, not mirrored. */
  readonly frame: Frame;
}

/** The part that a part mirrors; undefined if it mirrors none, or a missing one. */
export const mirroredPart = <P extends Pick<PartShape, 'id'>>(
  part: Pick<PartShape, 'opposite'>,
  parts: readonly P[],
): P | undefined => (part.opposite?.follows ? parts.find(({ id }) => id === part.opposite?.of) : undefined);

/**
 * The effective shape of a part: that of the part it mirrors.
 * @returns the part itself if the other is missing
 */
export function effectiveShape(part: PartShape, parts: readonly PartShape[]): PartShape {
  const other = mirroredPart(part, parts);
  if (!other) return part;
  return {
    ...part,
    surface: other.surface,
    datums: other.datums,
    lines: other.lines,
    features: other.features,
    pose: other.pose,
  };
}

/** Lays a part out. */
export function partFrame(part: PartShape, parts: readonly PartShape[]): PartFrame {
  const shape = effectiveShape(part, parts);
  const measured = skinOf(shape.surface);
  const mirrored = part.opposite !== undefined;
  const same = (place: Point) => place;
  return {
    shape,
    measured,
    drawn: mirrored ? mirrorSkin(measured) : measured,
    mirrored,
    reflect: mirrored ? measured.reflect : same,
    frame: axesOf(shape.pose ?? HOME_POSE),
  };
}

/** Where a part's own directions point on the whole piece. */
function axesOf(pose: Pose): Frame {
  return {
    origin: toPieceSpace(pose, { x: 0, y: 0, z: 0 }),
    forward: rotateByPose(pose, { x: 1, y: 0, z: 0 }),
    left: rotateByPose(pose, { x: 0, y: 1, z: 0 }),
    up: rotateByPose(pose, { x: 0, y: 0, z: 1 }),
  };
}

/** Place on the whole piece, and outward direction there, of a place on the sheet as drawn. */
export function pointOnPiece(
  { shape, measured, mirrored, reflect }: PartFrame,
  place: Point,
): { readonly at: SpacePoint; readonly out: SpacePoint } {
  const pose = shape.pose ?? HOME_POSE;
  const placedPoint = measured.inSpace(reflect(place));
  const point = toPieceSpace(pose, placedPoint.at);
  const out = rotateByPose(pose, placedPoint.out);
  return mirrored ? { at: { ...point, y: -point.y }, out: { ...out, y: -out.y } } : { at: point, out };
}

/** Which way a view of the whole piece looks, and what is across and up in it. */
export const VIEW_AXES: Readonly<
  Record<'side' | 'top' | 'end', { readonly into: SpacePoint; readonly across: SpacePoint; readonly up: SpacePoint }>
> = {
  side: { into: { x: 0, y: 1, z: 0 }, across: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
  top: { into: { x: 0, y: 0, z: -1 }, across: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  end: { into: { x: -1, y: 0, z: 0 }, across: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
};

/** True if the outside at a point faces a viewer looking along `into`. */
export const facesViewer = (out: SpacePoint, into: SpacePoint): boolean => dot(out, into) < 0;
