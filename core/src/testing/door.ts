import { type Design, emptyDesign, type Part } from '../job';
import { straight } from './samples';

// A panel in three colours, one above the other, for tests of what follows from an order of coats.

export const part = (over: Partial<Part> = {}): Part => ({
  id: 'door',
  name: 'Door',
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#c7bfa6', ageH: 0 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 900, height: 600 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [straight('low', [0, 200], [900, 200]), straight('high', [0, 400], [900, 400])],
  ...over,
});
const colours = ['cream-two-part', 'sea-green-two-part', 'blaze-two-part'] as const;
export const design = (over: Partial<Design> = {}, parts = [part()]): Design => ({
  ...emptyDesign('Coats', 'road'),
  parts,
  scheme: { areas: colours.map((finish, index) => ({ part: 'door', seed: [450, 100 + 200 * index], finish })) },
  ...over,
});
export const clear = (over: Partial<Design['scheme']> = {}): Design =>
  design({ scheme: { ...design().scheme, clear: 'clear-two-part', ...over } });
