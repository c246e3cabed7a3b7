import { type LogEvent, type Step, stepOfEntry } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useWords } from '@/person/PersonContext';
import { sawWords } from '@/sync/observedWords';

/** An entry in words: when, what, and of which step. */
export function useEntryWords(steps: readonly Step[]): (event: LogEvent) => string {
  const words = useWords();
  const { say, entry } = words;
  return ({ kind, step, note, at, saw }) => {
    const namedStep = stepOfEntry(steps, step);
    const title = namedStep && say(namedStep.say);
    const seen = sawWords(saw, words);
    return phrase`${timeOf(at)} ${entry(kind)}${title ? phrase`: ${title}` : ''}${seen ? phrase`, ${seen}` : ''}${note ? phrase` (${note})` : ''}`;
  };
}

/** The time of day of an instant. */
export const timeOf = (instant: string): string =>
  new Date(instant).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
