import type { DryingFilm } from '../air';
import { PAINT_SYSTEMS, type Finish } from '../finish';

/** What decides how fast a finish dries. */
export const filmOf = ({ activationKj, system }: Pick<Finish, 'activationKj' | 'system'>): DryingFilm => ({
  activationKj,
  waterborne: PAINT_SYSTEMS[system].waterborne,
});
