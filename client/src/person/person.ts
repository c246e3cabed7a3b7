import { DEFAULT_PERSON, LANGUAGES, type Person } from '@lintrel/words';
import * as v from 'valibot';

const KEY = 'lintrel.person';
const personSchema = v.object({
  length: v.picklist(['mm', 'in']),
  temperature: v.picklist(['C', 'F']),
  language: v.picklist(LANGUAGES),
});

/** How the person at this device reads figures and words; what cannot be read is as usual. */
export function readPerson(): Person {
  try {
    const kept = v.safeParse(personSchema, JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return kept.success ? kept.output : DEFAULT_PERSON;
  } catch {
    return DEFAULT_PERSON;
  }
}

/** Stores it on this device; without storage it is lost with the page. */
export function keepPerson(person: Person): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(person));
  } catch {
    // It still holds until the page is closed.
  }
}
