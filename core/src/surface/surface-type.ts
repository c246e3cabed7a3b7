import type { GenericSchema } from 'valibot';
import type { SurfaceMessage } from './messages';
import type { Skin } from './skin';

/** Trouble with a surface: where in it, and what. */
export interface SurfaceFault {
  readonly keys: readonly (string | number)[];
  readonly why: SurfaceMessage;
}

/** A kind of surface. To add one, implement this in a file of its own. */
export interface SurfaceType<S, Schema extends GenericSchema> {
  /** How the job file writes it. */
  readonly schema: Schema;
  /** What the schema cannot check; empty for a sound one. */
  readonly faults: (surface: S) => SurfaceFault[];
  /** Where in it the size is given that makes it too large. */
  readonly sizedBy: SurfaceFault['keys'];
  /** @param surface sound by schema and faults */
  readonly skin: (surface: S) => Skin;
}
