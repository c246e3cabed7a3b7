import textOf from 'fast-json-stable-stringify';
import type { Finish } from '../finish';
import type { Supply, Tape } from '../tape';
import type { Shelf } from './shelf';

/**
 * A short mark of everything on a shelf that a plan follows from: two shelves with the same mark make the same plan. How much there is of a
 * thing counts only where there is none left.
 * @returns 14 hexadecimal digits
 * Source: cyrb53, a mixing hash of 53 bits
 */
export function shelfFingerprint({ tapes, finishes, supplies = [], learned = [] }: Shelf): string {
  const stock = <E extends { readonly rolls?: number; readonly packs?: number }>({ rolls, packs, ...rest }: E) => ({
    ...rest,
    out: rolls === 0 || packs === 0,
  });
  const behaviour = learned.map(({ finish, factor }) => [finish, factor]);
  return markOf([tapes.map(stock), finishes, supplies.map(stock), ...(behaviour.length > 0 ? [behaviour] : [])]);
}

/**
 * Short fingerprint of a shelf entry, without its stock.
 * @returns 14 hexadecimal digits
 */
export function entryFingerprint(entry: Tape | Finish | Supply): string {
  return markOf(Object.fromEntries(Object.entries(entry).filter(([key]) => key !== 'rolls' && key !== 'packs')));
}

/** A mixing hash of data, whatever the order of its fields. */
function markOf(data: unknown): string {
  const text = textOf(data);
  let [high, low] = [0xdeadbeef, 0x41c6ce57];
  for (let index = 0; index < text.length; index++) {
    const code = text.charCodeAt(index);
    high = Math.imul(high ^ code, 2654435761);
    low = Math.imul(low ^ code, 1597334677);
  }
  high = Math.imul(high ^ (high >>> 16), 2246822507) ^ Math.imul(low ^ (low >>> 13), 3266489909);
  low = Math.imul(low ^ (low >>> 16), 2246822507) ^ Math.imul(high ^ (high >>> 13), 3266489909);
  return (4294967296 * (2097151 & low) + (high >>> 0)).toString(16).padStart(14, '0');
}
