import type { DryingFilm } from '../air';
import { type Finish, PAINT_SYSTEMS } from '../finish';

/** What decides how fast a finish dries. */
export const filmOf = ({ activationKj, system }: Pick<Finish, 'activationKj' | 'system'>): DryingFilm => ({
  activationKj,
  waterborne: PAINT_SYSTEMS[system].waterborne,
});
