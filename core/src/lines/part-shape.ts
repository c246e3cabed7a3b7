import type { Point } from '../curves';
import {
  dot,
  HOME_POSE,
  mirroredSkin,
  placedBy,
  skinOf,
  turnedBy,
  type Datum,
  type Frame,
  type Feature,
  type Pose,
  type Skin,
  type Space,
  type Surface,
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
export interface PartBoard {
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

/** The part another is the mirror image of while it follows; undefined for one that follows none, or whose other is gone. */
export const followedBy = <P extends PartShape>(part: PartShape, parts: readonly P[]): P | undefined =>
  part.opposite?.follows ? parts.find(({ id }) => id === part.opposite?.of) : undefined;

/**
 * The shape a part really has: that of its opposite while it follows.
 * @returns the part itself where the other is gone
 */
export function shapeOf(part: PartShape, parts: readonly PartShape[]): PartShape {
  const other = followedBy(part, parts);
  if (!other) return part;
  return { ...part, surface: other.surface, datums: other.datums, lines: other.lines, features: other.features, pose: other.pose };
}

/** Lays a part out. */
export function boardOf(part: PartShape, parts: readonly PartShape[]): PartBoard {
  const shape = shapeOf(part, parts);
  const measured = skinOf(shape.surface);
  const mirrored = part.opposite !== undefined;
  const same = (place: Point) => place;
  return {
    shape,
    measured,
    drawn: mirrored ? mirroredSkin(measured) : measured,
    mirrored,
    reflect: mirrored ? measured.reflect : same,
    frame: frameOf(shape.pose ?? HOME_POSE),
  };
}

/** Where a part's own directions point on the whole piece. */
export function frameOf(pose: Pose): Frame {
  return {
    origin: placedBy(pose, { x: 0, y: 0, z: 0 }),
    forward: turnedBy(pose, { x: 1, y: 0, z: 0 }),
    left: turnedBy(pose, { x: 0, y: 1, z: 0 }),
    up: turnedBy(pose, { x: 0, y: 0, z: 1 }),
  };
}

/** Place on the whole piece, and outward direction there, of a place on the sheet as drawn. */
export function onPiece({ shape, measured, mirrored, reflect }: PartBoard, place: Point): { readonly at: Space; readonly out: Space } {
  const pose = shape.pose ?? HOME_POSE;
  const own = measured.inSpace(reflect(place));
  const at = placedBy(pose, own.at);
  const out = turnedBy(pose, own.out);
  return mirrored ? { at: { ...at, y: -at.y }, out: { ...out, y: -out.y } } : { at, out };
}

/** Which way a view of the whole piece looks, and what is across and up in it. */
export const VIEW_AXES: Readonly<Record<'side' | 'top' | 'end', { readonly into: Space; readonly across: Space; readonly up: Space }>> = {
  side: { into: { x: 0, y: 1, z: 0 }, across: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
  top: { into: { x: 0, y: 0, z: -1 }, across: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
  end: { into: { x: -1, y: 0, z: 0 }, across: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
};

/** True where the outside at a place faces whoever looks along `into`. */
export const faces = (out: Space, into: Space): boolean => dot(out, into) < 0;
