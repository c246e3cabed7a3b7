/** A list as it goes between screen and worker: what the other side has already is only named. */
export type Sent<T> = readonly (T | string)[];

interface Named {
  readonly id: string;
}

/**
 * Sends lists one after another, each with only what differs from the one before.
 * @param markOf two things of one id are the same where their marks are
 */
export function sendingLists<T extends Named>(markOf: (one: T) => unknown): (list: readonly T[]) => Sent<T> {
  let marks = new Map<string, unknown>();
  return (list) => {
    const now = new Map(list.map((one) => [one.id, markOf(one)]));
    const sent = list.map((one) => (marks.has(one.id) && marks.get(one.id) === now.get(one.id) ? one.id : one));
    marks = now;
    return sent;
  };
}

/** The other end: what is only named is the very object that came before. */
export function receivingLists<T extends Named>(): (sent: Sent<T>) => T[] {
  let held = new Map<string, T>();
  return (sent) => {
    const list = sent.map((one) => {
      const found = typeof one === 'string' ? held.get(one) : one;
      if (!found) throw new Error(`${String(one)} was named but never sent`);
      return found;
    });
    held = new Map(list.map((one) => [one.id, one]));
    return list;
  };
}
