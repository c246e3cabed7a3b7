import { boxOf } from '../curves';
import * as v from 'valibot';
import { FARTHEST_MM, lengthMm, listOf, numberBetween, plainly, told } from '../units';
import { foldedFaults, panelSchema } from './folded';
import { outlineFaults, outlineSchema } from './outline';
import { sheetOf } from './sheet';
import { profileFaults, profileSchema } from './profile';
import type { SurfaceSaid } from './says';

const flatSchema = v.strictObject({ kind: v.literal('flat'), outline: outlineSchema });
const tubeSchema = v.strictObject({ kind: v.literal('tube'), diameter: lengthMm(), length: lengthMm() });
const coneSchema = v.strictObject({
  kind: v.literal('cone'),
  /** Diameter at the end lengths are measured from, and at the other. */
  d1: numberBetween(0, 30_000, 'mm'),
  d2: numberBetween(0, 30_000, 'mm'),
  length: lengthMm(),
});
const turnedSchema = v.strictObject({ kind: v.literal('turned'), profile: profileSchema });
const foldedSchema = v.strictObject({
  kind: v.literal('folded'),
  panels: listOf(panelSchema, 'panels', 40, 1),
});

/** Surface of a part: what lines are drawn on. */
export const surfaceSchema = v.variant(
  'kind',
  [flatSchema, tubeSchema, coneSchema, turnedSchema, foldedSchema],
  told({ code: 'field.choice', values: { choices: ['flat', 'tube', 'cone', 'turned', 'folded'] } }),
);
export type Surface = v.InferOutput<typeof surfaceSchema>;
export type SurfaceKind = Surface['kind'];

/** Kinds of surface, in the order they are offered. */
export const SURFACE_KINDS = ['flat', 'tube', 'cone', 'turned', 'folded'] as const satisfies readonly SurfaceKind[];

/** Trouble with a surface: where in it, and a sentence. */
export interface SurfaceFault {
  readonly keys: readonly (string | number)[];
  readonly why: SurfaceSaid;
}

/** Checks what the schema cannot; an empty list for a sound surface. */
export function surfaceFaults(surface: Surface): SurfaceFault[] {
  switch (surface.kind) {
    case 'flat':
      return outlineFaults(surface.outline).map(({ corner, why }) => ({
        keys: corner === null ? ['outline'] : ['outline', surface.outline.kind === 'polygon' ? 'points' : 'edges', corner],
        why,
      }));
    case 'tube':
      return tooFar(surface, ['diameter']);
    case 'cone':
      if (surface.d1 === surface.d2) return [{ keys: ['d2'], why: plainly('surface.cone-is-tube') }];
      return tooFar(surface, []);
    case 'turned': {
      const faults = profileFaults(surface.profile);
      return faults.length === 0
        ? tooFar(surface, ['profile'])
        : faults.map(({ pair, why }) => ({ keys: pair === 0 ? ['profile', 'start'] : ['profile', 'edges', pair - 1], why }));
    }
    case 'folded':
      return foldedPanelFaults(surface.panels);
  }
}

function foldedPanelFaults(panels: Extract<Surface, { kind: 'folded' }>['panels']): SurfaceFault[] {
  const outlines = panels.flatMap(({ outline }, index) => outlineFaults(outline).map(({ why }) => ({ keys: ['panels', index, 'outline'], why })));
  if (outlines.length > 0) return outlines;
  const ids = panels.map(({ id }) => id);
  const twice = ids.flatMap((id, index) =>
    ids.indexOf(id) < index ? [{ keys: ['panels', index, 'id'], why: { code: 'surface.used-twice' as const, values: { id } } }] : [],
  );
  if (twice.length > 0) return twice;
  const folds = foldedFaults(panels).map(({ panel, why }) => ({ keys: ['panels', panel, 'fold'], why }));
  return folds.length > 0 ? folds : tooFar({ kind: 'folded', panels }, ['panels']);
}

/** Laid flat, a surface must lie where areas are worked out exactly. */
function tooFar(surface: Surface, keys: SurfaceFault['keys']): SurfaceFault[] {
  const { minX, minY, maxX, maxY } = boxOf(sheetOf(surface).ring);
  const far = Math.max(-minX, -minY, maxX, maxY);
  return far > FARTHEST_MM ? [{ keys, why: { code: 'surface.too-far', values: { reachM: Math.round(far / 1000), mostM: FARTHEST_MM / 1000 } } }] : [];
}
