import * as v from 'valibot';
import { boundingBox } from '../curves';
import { faultText, MAX_DISTANCE_MM } from '../kit';
import { cone } from './cone';
import { flat } from './flat';
import { folded } from './folded';
import { type Skin, SURFACE_KINDS } from './skin';
import type { SurfaceFault } from './surface-type';
import { tube } from './tube';
import { turned } from './turned';

const KINDS = { flat, tube, cone, turned, folded } as const;

/** Surface of a part: what lines are drawn on. */
export const surfaceSchema = v.variant(
  'kind',
  [flat.schema, tube.schema, cone.schema, turned.schema, folded.schema],
  faultText({ code: 'field.choice', values: { choices: SURFACE_KINDS } }),
);
export type Surface = v.InferOutput<typeof surfaceSchema>;

/** Surface types by their name. */
interface AnyKind {
  readonly faults: (surface: Surface) => SurfaceFault[];
  readonly sizedBy: SurfaceFault['keys'];
  readonly skin: (surface: Surface) => Skin;
}
const kindOf = ({ kind }: Surface): AnyKind => KINDS[kind] as unknown as AnyKind;

/**
 * Lays a surface flat.
 * @param surface sound by surfaceFaults
 */
export const skinOf = (surface: Surface): Skin => kindOf(surface).skin(surface);

/** Checks what the schema cannot; an empty list for a sound surface. */
export function surfaceFaults(surface: Surface): SurfaceFault[] {
  const { faults, sizedBy } = kindOf(surface);
  const surfaceTrouble = faults(surface);
  return surfaceTrouble.length > 0 ? surfaceTrouble : tooFar(surface, sizedBy);
}

/** The developed surface must lie within the range in which areas are computed exactly. */
function tooFar(surface: Surface, keys: SurfaceFault['keys']): SurfaceFault[] {
  const { minX, minY, maxX, maxY } = boundingBox(skinOf(surface).ring);
  const far = Math.max(-minX, -minY, maxX, maxY);
  return far > MAX_DISTANCE_MM
    ? [
        {
          keys,
          why: { code: 'surface.too-far', values: { reachM: Math.round(far / 1000), mostM: MAX_DISTANCE_MM / 1000 } },
        },
      ]
    : [];
}
