import type { Feel, Heat, Observed, PullResult } from '@lintrel/core';
import { phrase, type Words } from '@lintrel/words';

/** How paint feels to a finger, from wet to dry, as it stands on the buttons. */
export const FEEL_WORDS: Readonly<Record<Feel, string>> = { wet: 'Wet', tacky: 'Tacky', marks: 'Marks', dry: 'Dry' };

/** How the tape came off. */
export const PULL_WORDS: Readonly<Record<PullResult, string>> = {
  clean: 'Clean',
  strung: 'It strung',
  tore: 'It tore',
  sagged: 'The edge sagged',
};

/** Where warmth comes from. */
export const HEAT_WORDS: Readonly<Record<Heat['kind'], string>> = { bake: 'Bake', heater: 'Heater', sun: 'Sun' };

/** What was seen, in a line; empty where nothing was. */
export function sawWords(saw: Observed | undefined, { temperature }: Pick<Words, 'temperature'>): string {
  if (!saw) return '';
  if (saw.kind === 'feel') return FEEL_WORDS[saw.feel];
  if (saw.kind === 'pull') return PULL_WORDS[saw.result];
  if (saw.kind === 'photo') return 'Photo';
  if (saw.kind === 'plugs')
    return saw.out === null
      ? phrase`Plugs not all out, ${saw.of} went in`
      : phrase`Plugs counted out: ${saw.out} of ${saw.of}`;
  if (saw.kind === 'mix') return saw.here ? phrase`Mixed for ${saw.with} too` : phrase`Mixed with ${saw.with}`;
  if (saw.kind === 'heat')
    return phrase`${HEAT_WORDS[saw.how]}: film at ${temperature(saw.filmC)} for ${saw.minutes} min`;
  const { passes, pressureBar, distanceMm, thinnerPercent } = saw;
  return [
    passes === undefined ? '' : phrase`Passes: ${passes}`,
    pressureBar === undefined ? '' : phrase`${pressureBar} bar`,
    distanceMm === undefined ? '' : phrase`${distanceMm} mm away`,
    thinnerPercent === undefined ? '' : phrase`${thinnerPercent} % thinner`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}
