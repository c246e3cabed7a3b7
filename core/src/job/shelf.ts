import * as v from 'valibot';
import { type Finish, finishSchema, SHIPPED_FINISHES, withLearnedTimes } from '../finish';
import { listOf } from '../kit';
import type { Learned } from '../learning';
import { SHIPPED_SUPPLIES, SHIPPED_TAPES, type Supply, supplySchema, type Tape, tapeSchema } from '../tape';
import type { Fault } from './fault';

/** The shelf holds at most this many tapes, as many finishes, and as many supplies. */
export const MAX_SHELF_ENTRIES = 500;

/** Maximum characters of one entry, including notes and cards; a whole shelf still fits into a job file. */
const MOST_ENTRY_LETTERS = 20_000;

/** Names that are places in every path: an address with one of them leads somewhere else. */
const PATH_NAMES: readonly string[] = ['.', '..'];

/** Checks what the schema of an entry cannot: its size, and that it has a key. */
export function entryFaults(entry: Tape | Finish | Supply, path = ''): Fault[] {
  const key = 'id' in entry ? 'id' : 'code';
  const name = 'id' in entry ? entry.id : entry.code;
  return [
    ...(PATH_NAMES.includes(name)
      ? [{ path: path ? `${path}.${key}` : key, code: 'shelf.path-name', values: { name } }]
      : []),
    ...(JSON.stringify(entry).length > MOST_ENTRY_LETTERS
      ? [{ path: path || 'basis', code: 'shelf.letters', values: { most: MOST_ENTRY_LETTERS } }]
      : []),
  ];
}

/** What the shop has to work with. */
export const shelfSchema = v.strictObject({
  tapes: listOf(tapeSchema, 'tapes', MAX_SHELF_ENTRIES),
  finishes: listOf(finishSchema, 'finishes', MAX_SHELF_ENTRIES),
  /** Paper, film, foam and the like; left out in files from before, and where there is none. */
  supplies: v.optional(listOf(supplySchema, 'supplies', MAX_SHELF_ENTRIES)),
});

export interface Shelf {
  readonly tapes: readonly Tape[];
  readonly finishes: readonly Finish[];
  readonly supplies?: readonly Supply[];
  /** How finishes have behaved in this shop. Left out: nothing was seen. */
  readonly learned?: readonly LearnedFinish[];
}

/** What this shop has learned of a finish. */
export interface LearnedFinish extends Learned {
  readonly finish: string;
}

/** Finishes on a shelf as they behave in this shop, by their id. */
export const finishesById = ({ finishes, learned = [] }: Shelf): ReadonlyMap<string, Finish> => {
  const factors = new Map(learned.map(({ finish, factor }) => [finish, factor]));
  return new Map(finishes.map((finish) => [finish.id, withLearnedTimes(finish, factors.get(finish.id) ?? 1)]));
};

/** The shelf a new shop starts with. */
export const SHIPPED_SHELF: Shelf = { tapes: SHIPPED_TAPES, finishes: SHIPPED_FINISHES, supplies: SHIPPED_SUPPLIES };
