import type { Feel, PullResult, Saw } from '@lintrel/core';
import { phrase } from '@lintrel/words';

/** How paint feels to a finger, from wet to dry, as it stands on the buttons. */
export const FEEL_WORDS: Readonly<Record<Feel, string>> = { wet: 'Wet', tacky: 'Tacky', marks: 'Marks', dry: 'Dry' };

/** How the tape came off. */
export const PULL_WORDS: Readonly<Record<PullResult, string>> = { clean: 'Clean', strung: 'It strung', tore: 'It tore', sagged: 'The edge sagged' };

/** What was seen, in a line; empty where nothing was. */
export function sawWords(saw: Saw | undefined): string {
  if (!saw) return '';
  if (saw.kind === 'feel') return FEEL_WORDS[saw.feel];
  if (saw.kind === 'pull') return PULL_WORDS[saw.result];
  if (saw.kind === 'photo') return 'Photo';
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
