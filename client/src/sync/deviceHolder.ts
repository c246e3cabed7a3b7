/** Who holds this device: whoever was signed in last, also while there is no connection. */
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

/** Who holds this device; null where nobody signs in. */
export const hands = (): Hands | null => now;

/**
 * Notes who holds this device.
 * @returns whether that is somebody else than before
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
