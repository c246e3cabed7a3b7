import { parseFaultText } from '@lintrel/core/front';
import { type Person, type Words, wordsFor } from '@lintrel/words';
import { createContext, type PropsWithChildren, useCallback, useContext, useMemo, useState } from 'react';
import { keepPerson, readPerson } from './person';

interface PersonValue {
  readonly words: Words;
  readonly set: (change: Partial<Person>) => void;
}

const Context = createContext<PersonValue | null>(null);

/** The person at this device: units and language, stored on it. */
export function PersonProvider({ children }: PropsWithChildren) {
  const [person, setPerson] = useState(readPerson);
  const words = useMemo(() => wordsFor(person), [person]);
  const set = useCallback(
    (change: Partial<Person>) =>
      setPerson((now) => {
        const next = { ...now, ...change };
        keepPerson(next);
        return next;
      }),
    [],
  );
  const value = useMemo(() => ({ words, set }), [words, set]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

function usePersonValue(): PersonValue {
  const value = useContext(Context);
  if (!value) throw new Error('words are asked for outside the provider');
  return value;
}

/** Words in the units and language of the person at this device. */
export const useWords = (): Words => usePersonValue().words;

/** Who is at this device, and how to change it. */
export const usePerson = (): { readonly person: Person; readonly set: PersonValue['set'] } => {
  const { words, set } = usePersonValue();
  return { person: words.person, set };
};

/** Words for what is wrong with a field: a code written as text by a schema, or a sentence of this screen. */
export function useFaultWords(): (fault: string) => string {
  const { say } = useWords();
  return useCallback((fault: string) => say(parseFaultText(fault)), [say]);
}
