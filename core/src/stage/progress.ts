import type { OrderProblem } from './problem';
import type { Progress } from './stage';

/** Before any coat. */
export const startProgress = ({ areas }: OrderProblem): Progress => ({
  colours: areas.map(({ present }) => present),
  films: areas.map(() => null),
  painted: areas.map(() => false),
  tapeSafeAt: areas.map(() => 0),
  clock: 0,
  guns: {},
  plugged: [],
  standing: null,
  kept: [],
});
