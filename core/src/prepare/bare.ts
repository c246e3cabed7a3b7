import type { PaintSystemKey } from '../finish';
import type { Substrate } from '../job';

/** What bare substrates take at once, and what else is primed with; null: they take anything. */
const BARE: Readonly<
  Record<Substrate, { readonly primer: PaintSystemKey; readonly takes: readonly PaintSystemKey[] } | null>
> = {
  steel: { primer: 'etch-primer', takes: ['etch-primer', 'filler-primer'] },
  aluminium: { primer: 'etch-primer', takes: ['etch-primer'] },
  carbon: { primer: 'filler-primer', takes: ['filler-primer', 'clear-two-part'] },
  wood: { primer: 'filler-primer', takes: ['filler-primer', 'varnish'] },
  melamine: { primer: 'filler-primer', takes: ['filler-primer'] },
  styrene: { primer: 'filler-primer', takes: ['filler-primer'] },
  resin: { primer: 'filler-primer', takes: ['filler-primer'] },
  print: { primer: 'filler-primer', takes: ['filler-primer'] },
  fabric: { primer: 'dope', takes: ['dope', 'fabric-urethane'] },
  gelcoat: null,
  'varnished-wood': null,
  other: null,
};

/**
 * The primer recommended for a bare substrate before a finish.
 * @param first system that goes on first
 * @returns null if the finish may go on directly. Source: habits of the trade, rules of thumb
 */
export function primerFor(substrate: Substrate, first: PaintSystemKey): PaintSystemKey | null {
  const bare = BARE[substrate];
  return bare === null || first === 'peelable' || bare.takes.includes(first) ? null : bare.primer;
}
