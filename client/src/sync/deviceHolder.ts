/** The person who holds this device: the last one signed in, also offline. */
export interface Hands {
  readonly id: string;
  readonly name: string;
}

const KEY = 'lintrel.hands';
let now: Hands | null = read();

function read(): Hands | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Hands | null;
    return typeof kept?.id === 'string' && typeof kept.name === 'string' ? { id: kept.id, name: kept.name } : null;
  } catch {
    return null;
  }
}

/** The holder of this device; null without sign-in. */
export const hands = (): Hands | null => now;

/**
 * Sets the holder of this device.
 * @returns whether the holder changed
 */
export function setHands(person: Hands | null): boolean {
  if (now?.id === person?.id) return false;
  now = person && { id: person.id, name: person.name };
  try {
    localStorage.setItem(KEY, JSON.stringify(now));
  } catch {
    // Without a place to keep it, it is known as long as this page is open.
  }
  return true;
}
