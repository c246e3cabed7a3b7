import type { Sequence } from '../order';
import type { TimelineEntry } from './types';

/** Lays the stages end to end: work and waiting, minutes from the start. Entries of no length are left out. */
export function timelineOf({ stages }: Sequence): TimelineEntry[] {
  let clock = 0;
  return stages.flatMap(({ layMin, coatMin, changeMin, overMin, pullMin, waits }, index) => {
    const pieces = [
      { kind: 'wait', what: 'wait until the colour takes tape', minutes: waits.tapeMin },
      { kind: 'work', what: 'mask', minutes: layMin },
      { kind: 'work', what: 'key the surface', minutes: overMin },
      { kind: 'wait', what: 'wait until the coat below takes the next', minutes: waits.overMin },
      { kind: 'work', what: 'mix and paint', minutes: changeMin + coatMin + waits.flashMin },
      { kind: 'wait', what: pullMin > 0 ? 'wait for the pull' : 'flash', minutes: waits.pullMin },
      { kind: 'work', what: 'pull the tape', minutes: pullMin },
    ] as const;
    return pieces.flatMap(({ kind, what, minutes }) => {
      if (minutes <= 0) return [];
      const fromMin = clock;
      clock += minutes;
      return [{ stage: index + 1, kind, what, fromMin, toMin: clock }];
    });
  });
}
