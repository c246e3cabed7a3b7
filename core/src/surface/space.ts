import * as v from 'valibot';
import { coordinate, faultText, messageWithoutValues, numberBetween } from '../kit';

/** A place, or a direction, on the whole piece: x forward, y to the left, z up; mm. */
export interface SpacePoint {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** Where a part sits on the whole piece, and which way it points. */
export const poseSchema = v.strictObject({
  at: v.strictTuple(
    [coordinate(), coordinate(), coordinate()],
    faultText(messageWithoutValues('field.place-in-space')),
  ),
  /** Turned to the left about the upright. */
  yawDeg: numberBetween(-360, 360, '°'),
  /** Forward end raised. */
  pitchDeg: numberBetween(-360, 360, '°'),
  /** Turned about its own forward direction, left side up. */
  rollDeg: numberBetween(-360, 360, '°'),
});
export type Pose = v.InferOutput<typeof poseSchema>;

/** A part that has not been placed: at the origin, standing, its outside to the right. */
export const HOME_POSE: Pose = { at: [0, 0, 0], yawDeg: 0, pitchDeg: 0, rollDeg: 0 };

export const addVectors = (a: SpacePoint, b: SpacePoint, times = 1): SpacePoint => ({
  x: a.x + times * b.x,
  y: a.y + times * b.y,
  z: a.z + times * b.z,
});
export const dot = (a: SpacePoint, b: SpacePoint): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const cross = (a: SpacePoint, b: SpacePoint): SpacePoint => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
export const vectorLength = (a: SpacePoint): number => Math.hypot(a.x, a.y, a.z);
export const scaleVector = (a: SpacePoint, factor: number): SpacePoint => ({
  x: a.x * factor,
  y: a.y * factor,
  z: a.z * factor,
});

/** Unit vector; zero stays zero. */
export const unitVector = (a: SpacePoint): SpacePoint => scaleVector(a, 1 / (vectorLength(a) || 1));

/** Turns a direction of the part into one of the whole piece: roll, then pitch, then yaw. */
export function rotateByPose(
  { yawDeg, pitchDeg, rollDeg }: Pick<Pose, 'yawDeg' | 'pitchDeg' | 'rollDeg'>,
  { x, y, z }: SpacePoint,
): SpacePoint {
  const [cy, sy] = cosSin(yawDeg);
  const [cp, sp] = cosSin(pitchDeg);
  const [cr, sr] = cosSin(rollDeg);
  const rolled = { x, y: cr * y - sr * z, z: sr * y + cr * z };
  const pitched = { x: cp * rolled.x - sp * rolled.z, y: rolled.y, z: sp * rolled.x + cp * rolled.z };
  return { x: cy * pitched.x - sy * pitched.y, y: sy * pitched.x + cy * pitched.y, z: pitched.z };
}

/** Place on the whole piece of a place on the part. */
export const toPieceSpace = (pose: Pose, place: SpacePoint): SpacePoint =>
  addVectors({ x: pose.at[0], y: pose.at[1], z: pose.at[2] }, rotateByPose(pose, place));

/** Right angles come out exact, so that a level line on an upright part is level to the last digit. */
function cosSin(degrees: number): readonly [number, number] {
  const turn = ((degrees % 360) + 360) % 360;
  if (turn % 90 === 0)
    return (
      [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ] as const
    )[turn / 90]!;
  const angle = (turn * Math.PI) / 180;
  return [Math.cos(angle), Math.sin(angle)];
}
