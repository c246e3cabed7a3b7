import type { Finish, PaintSystemKey } from '../finish';
import type { Part } from '../job';

/** What a surface is abraded with. */
export type Grit = 'p240' | 'p320-wet' | 'p320' | 'p400' | 'p500' | 'p800' | 'p1000' | 'wet-only';

/** Substrates that are not abraded, or with a breath of the finest. */
const TENDER: readonly Part['substrate'][] = ['styrene', 'resin', 'print', 'fabric'];

const BY_UPPER: Readonly<Record<PaintSystemKey, Grit>> = {
  'base-solvent': 'p500',
  'base-water': 'p500',
  'two-part': 'p400',
  'clear-two-part': 'p800',
  'fabric-urethane': 'p400',
  'can-lacquer': 'p320-wet',
  'can-enamel': 'p320-wet',
  'brush-enamel': 'p320',
  boottop: 'p320',
  varnish: 'p320',
  'air-acrylic': 'p1000',
  'air-lacquer': 'p1000',
  dope: 'p1000',
  antifouling: 'p240',
  peelable: 'p1000',
  'etch-primer': 'p240',
  'filler-primer': 'p240',
};

/**
 * Grit for abrading a surface before what goes over it.
 * @param below existing system; null: bare
 * @returns null if it is not abraded: under peelable, and bare if the substrate is delicate. Source: habits of the
 *   trade, rules of thumb
 */
export function gritFor(
  upper: Pick<Finish, 'system' | 'effect'>,
  below: PaintSystemKey | null,
  substrate: Part['substrate'],
): Grit | null {
  if (upper.system === 'peelable') return null;
  if (below === 'antifouling') return 'wet-only';
  if (TENDER.includes(substrate) || below === 'dope') return below === null ? null : 'p1000';
  if (upper.effect === 'candy' || upper.effect === 'pearl') return 'p800';
  return below === null ? 'p240' : BY_UPPER[upper.system];
}
