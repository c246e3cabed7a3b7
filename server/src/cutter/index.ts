import { type Cutting, cutting } from './sending';
import { startSimulatedCutter } from './simulated';

export type { Cutting } from './sending';

/**
 * The cutter of this machine: the one whose port on loopback is named, else the simulated one, started when it is first needed.
 * @param port null: none is named
 */
export function cutterAt(port: number | null): Cutting {
  let started: Promise<number> | null = null;
  return cutting(() => {
    if (port !== null) return Promise.resolve(port);
    started ??= startSimulatedCutter().then((cutter) => cutter.port);
    return started;
  });
}
