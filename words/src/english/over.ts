import type { OverSays } from '@lintrel/core';
import type { WordsOf } from '../table';

/** Why a film may or may not go over another. */
export const OVER: WordsOf<OverSays> = {
  'over.bare': () => 'Nothing is below it but the substrate: clean and key that first.',
  'over.dope-lifts': () => 'Dope lifts enamel and varnish, cured or not.',
  'over.antifouling-unknown': () => 'Two antifoulings may not agree, and nobody knows what is below: a barrier coat between them.',
  'over.peelable-young': () => 'Peelable rubber takes uncured paint with it when it is pulled.',
  'over.hot-young': () => 'Hot lacquer wrinkles enamel that has not cured.',
  'over.hot-cured': () => 'Cured enamel gives lacquer no hold until it is keyed.',
  'over.lacquer-bites': () => 'Lacquer bites into acrylic: a barrier coat between them.',
  'over.varnish-tacky': () => 'Varnish over a tacky film wrinkles and stays soft.',
  'over.in-gap': () => 'It is in the gap between its two recoat windows: what goes on now wrinkles it.',
  'over.not-flashed': () => 'It has not flashed off: what goes on now traps its solvent.',
  'over.cured-two-part': () => 'A cured film gives a two-part coat no hold until it is keyed.',
  'over.past-limit': () => 'It is past its recoat limit: the next coat holds only on a keyed surface.',
  'over.from-now': () => 'It may be coated from now on.',
  'over.in-window': () => 'It is within its recoat window.',
  'over.acrylic-holds': () => 'Airbrush acrylic holds on cured lacquer, acrylic and primer as they are.',
  'over.water-keyed': () => 'Waterborne paint holds on a cured film once it is keyed.',
  'over.vouched': () => 'Vouched for in this job.',
};
