import type { BoothState } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { clockTime } from '@/words';

/** Who may enter the booth, and until when at least. */
export function boothWords({ twoPart, untilMs }: BoothState, now: number): string {
  if (untilMs === null)
    return twoPart
      ? 'In the booth: only who sprays, with supplied air. All others stay out.'
      : 'In the booth: only who sprays, with a vapour filter.';
  const until = clockTime(untilMs, now);
  return twoPart
    ? phrase`Booth: with supplied air only, all others stay out until it is cleared, not before ${until} (estimate; what the booth and the sheet say goes before).`
    : phrase`Booth: with a vapour filter only until it is cleared, not before ${until} (estimate).`;
}
