import textOf from 'fast-json-stable-stringify';
import type { Finish } from '../finish';
import { renameFinishes, type Shelf } from '../job';
import type { Supply, Tape } from '../tape';
import type { JobFile } from './job-file';

/** What an imported file adds to a shelf, and the file with its references following. */
export interface ShelfMerge {
  readonly newTapes: readonly Tape[];
  readonly newFinishes: readonly Finish[];
  readonly newSupplies: readonly Supply[];
  readonly file: JobFile;
}

/**
 * Merges the entries of a job file into a shelf without changing existing entries.
 * Entries are compared by value, regardless of key order. A finish with different figures is added under a new id
 * and the design refers to that. A different tape or supply is left as the shop has it: plans choose from what is on
 * the shelf.
 */
export function mergeShelf(file: JobFile, shelf: Shelf): ShelfMerge {
  const taken = new Set(shelf.finishes.map(({ id }) => id));
  const renamed = new Map<string, string>();
  const newFinishes: Finish[] = [];
  for (const finish of file.shelf.finishes) {
    const known = sameFinish(finish, shelf.finishes);
    const id = known ?? freeId(finish.id, taken);
    if (id !== finish.id) renamed.set(finish.id, id);
    if (known !== null) continue;
    taken.add(id);
    newFinishes.push({ ...finish, id });
  }
  const follow = (id: string) => renamed.get(id) ?? id;
  const followed: JobFile = { ...file, design: renameFinishes(file.design, follow) };
  const codes = new Set(shelf.tapes.map(({ code }) => code));
  const supplies = new Set((shelf.supplies ?? []).map(({ code }) => code));
  return {
    newTapes: file.shelf.tapes.filter(({ code }) => !codes.has(code)).map(uncounted),
    newFinishes,
    newSupplies: (file.shelf.supplies ?? []).filter(({ code }) => !supplies.has(code)).map(uncounted),
    file: followed,
  };
}

/** What another shop has in stock is not here. */
const uncounted = <E extends Tape | Supply>(entry: E): E => {
  const { rolls: _rolls, packs: _packs, ...rest } = entry as E & Partial<Pick<Tape, 'rolls'> & Pick<Supply, 'packs'>>;
  return rest as unknown as E;
};

/** Id of the entry that is this finish in all but its id, its own id first; null where there is none. */
function sameFinish(finish: Finish, shelf: readonly Finish[]): string | null {
  const same = shelf.filter((entry) => textOf({ ...entry, id: finish.id }) === textOf(finish)).map(({ id }) => id);
  return same.includes(finish.id) ? finish.id : (same[0] ?? null);
}

function freeId(id: string, taken: ReadonlySet<string>): string {
  if (!taken.has(id)) return id;
  for (let number = 2; ; number++) {
    const candidate = `${id.slice(0, 36)}-${number}`;
    if (!taken.has(candidate)) return candidate;
  }
}
