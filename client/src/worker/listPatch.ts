/** A list of things with ids in which what the other side has already is only named. */
export type ReferenceList<T> = readonly (T | string)[];

/** Names what the other side has, object by object, and leaves the rest. */
export const withReferences = <T extends { readonly id: string }>(
  list: readonly T[],
  known: ReadonlySet<T>,
): ReferenceList<T> => list.map((item) => (known.has(item) ? item.id : item));

/** The receiving end: a reference becomes the existing object; an unknown one is an error. */
export const resolveReferences = <T extends { readonly id: string }>(
  sent: ReferenceList<T>,
  atHand: readonly T[],
): T[] =>
  sent.map((item) => {
    const resolved = typeof item === 'string' ? atHand.find(({ id }) => id === item) : item;
    if (!resolved) throw new Error(`${String(item)} was named but never sent`);
    return resolved;
  });

/**
 * A list as sent from the worker to the screen. An entry is its previous index if unchanged; that index with the
 * differences; or the whole entry.
 */
export type ListPatch<T> = readonly (number | Differing<T> | T)[];

/** What differs of an entry: fields that are others now, and lists of which only a middle piece is. */
type Differing<T> = readonly [place: number, fields: Partial<T>, lists: Readonly<Record<string, Spliced>>];

/** How many entries of the list stay at its head and at its tail, and what stands between them now. */
type Spliced = readonly [head: number, tail: number, between: readonly unknown[]];

type Fields = Readonly<Record<string, unknown>>;
/** Equal for equal values: primitives as they are, others as text, lists by entry. */
type Mark = unknown;

const plainMark = (value: unknown): Mark =>
  value !== null && typeof value === 'object' ? JSON.stringify(value) : value;
const markOf = (value: unknown): Mark => (Array.isArray(value) ? value.map(plainMark) : plainMark(value));

const sameMark = (first: Mark, other: Mark): boolean =>
  Array.isArray(first) && Array.isArray(other)
    ? first.length === other.length && first.every((mark, index) => mark === other[index])
    : first === other;

/** Written once: lines and areas are sent before their plan, and with it. */
const written = new WeakMap<object, ReadonlyMap<string, Mark>>();

function marksOf(item: object): ReadonlyMap<string, Mark> {
  const known = written.get(item);
  if (known) return known;
  const marks = new Map(Object.entries(item as Fields).map(([key, value]) => [key, markOf(value)]));
  written.set(item, marks);
  return marks;
}

function splicedFrom(old: readonly Mark[], now: readonly Mark[], list: readonly unknown[]): Spliced {
  const least = Math.min(old.length, now.length);
  let head = 0;
  while (head < least && old[head] === now[head]) head++;
  let tail = 0;
  while (tail < least - head && old[old.length - 1 - tail] === now[now.length - 1 - tail]) tail++;
  return [head, tail, list.slice(head, list.length - tail)];
}

/** What differs of a thing from how it was; null where its fields are not the same ones. */
function differing<T extends object>(
  item: T,
  place: number,
  old: ReadonlyMap<string, Mark>,
): number | Differing<T> | null {
  const marks = marksOf(item);
  if (old.size !== marks.size) return null;
  const fields: Record<string, unknown> = {};
  const lists: Record<string, Spliced> = {};
  for (const [key, mark] of marks) {
    if (!old.has(key)) return null;
    const before = old.get(key);
    if (sameMark(before, mark)) continue;
    const value = (item as Fields)[key];
    if (Array.isArray(before) && Array.isArray(mark))
      lists[key] = splicedFrom(before, mark, value as readonly unknown[]);
    else fields[key] = value;
  }
  return Object.keys(fields).length + Object.keys(lists).length === 0 ? place : [place, fields as Partial<T>, lists];
}

/**
 * Sends lists one after another, each with only what differs from the one before.
 * @param nameOf what makes two entries of two lists the same thing; a plan's times shift with every change, most of it stays
 */
export function listSender<T extends object>(nameOf: (item: T) => string): (list: readonly T[]) => ListPatch<T> {
  let before = new Map<string, { readonly place: number; readonly one: T }>();
  return (list) => {
    const sent = list.map((item): ListPatch<T>[number] => {
      const old = before.get(nameOf(item));
      return (old && differing(item, old.place, marksOf(old.one))) ?? item;
    });
    before = new Map(list.map((item, place) => [nameOf(item), { place, one: item }]));
    return sent;
  };
}

/** The receiving end: an unchanged entry keeps its identity. */
export function listReceiver<T extends object>(): (sent: ListPatch<T>) => T[] {
  let held: readonly T[] = [];
  const itemAt = (place: number): T => {
    const previous = held[place];
    if (!previous) throw new Error(`entry ${place} was named but never sent`);
    return previous;
  };
  return (sent) => {
    const list = sent.map((change): T => {
      if (typeof change === 'number') return itemAt(change);
      if (!Array.isArray(change)) return change as T;
      const [place, fields, lists] = change as Differing<T>;
      const old = itemAt(place);
      const put = Object.entries(lists).map(([key, [head, tail, between]]) => {
        const was = (old as Fields)[key] as readonly unknown[];
        return [key, [...was.slice(0, head), ...between, ...was.slice(was.length - tail)]];
      });
      return { ...old, ...fields, ...Object.fromEntries(put) };
    });
    held = list;
    return list;
  };
}
