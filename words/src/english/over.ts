import type { CompatibilityMessages } from '@lintrel/core';
import type { WordsOf } from '../table';

/** Why a film may or may not go over another. */
export const COMPATIBILITY_WORDS: WordsOf<CompatibilityMessages> = {
  'over.bare': () => 'Nothing is below it but the substrate: clean and key that first.',
  'over.dope-lifts': () => 'Dope lifts enamel, varnish and two-part paint, cured or not.',
  'over.antifouling-unknown': () =>
    'Two antifoulings may not agree, and nobody knows what is below: a barrier coat between them.',
  'over.peelable-young': () => 'Peelable rubber takes uncured paint with it when it is pulled.',
  'over.hot-young': () => 'Hot solvents wrinkle a film that has not cured.',
  'over.hot-cured': () => 'Cured paint gives lacquer no hold until it is keyed; try it in a hidden place first.',
  'over.lacquer-bites': () => 'Lacquer bites into acrylic: a barrier coat between them.',
  'over.varnish-tacky': () => 'Varnish over a tacky film wrinkles and stays soft.',
  'over.in-gap': () => 'It is in the gap between its two recoat windows: what goes on now wrinkles it.',
  'over.not-flashed': () => 'It has not flashed off: what goes on now traps its solvent.',
  'over.cured-two-part': () => 'A cured film gives a two-part coat no hold until it is keyed.',
  'over.past-limit': () => 'It is past its recoat limit: the next coat holds only on a keyed surface.',
  'over.from-now': () => 'It may be coated from now on.',
  'over.in-window': () => 'It is within its recoat window.',
  'over.acrylic-holds': () => 'Airbrush acrylic holds on lacquer, acrylic and primer once they are dry.',
  'over.water-keyed': () => 'Waterborne paint holds on a cured film once it is keyed.',
  'over.sheds': () => 'Antifouling is made to shed: what is on it goes with it. Remove it.',
  'over.peels-off': () => 'Peelable rubber comes off again, and what is on it with it. Peel it first.',
  'over.peelable-grips': () =>
    'Rubber grips a matt or porous film and may not let go of it again: try it in a hidden place, or a sealing coat first.',
  'over.peelable-clean': () => 'It has cured: clean it only, and never abrade it, for it is to be seen again.',
  'over.dope-bites': () => 'Dope softens dope and becomes one film with it, at any age.',
  'over.dope-on-lacquer': () => 'Nobody knows whether dope bites this lacquer: a barrier coat, or a test.',
  'over.brittle': () => 'On fabric under dope a film that does not give cracks.',
  'over.two-part-young': () => 'The hardener lifts a film that has not cured.',
  'over.two-part-bites': () =>
    'A two-part coat may lift a one-part film even when it has cured: a test in a hidden place, or a barrier coat.',
  'over.not-hard': () => 'It is still too soft to be scuffed, and too glossy to hold the next coat as it is.',
  'over.glossy': () => 'It is dry and it shines: scuff it, then it holds.',
  'over.enamel-dry': () => 'Enamel holds on it once it is dry.',
  'over.young': () => 'It has not cured: what goes on now sinks in or wrinkles it.',
  'over.cured': () => 'A cured film gives the next coat no hold until it is keyed.',
  'over.etch-metal': () => 'Etch primer bites bare metal; over paint its acid stays in the film.',
  'over.not-known': () => 'Not known to agree: a test in a hidden place, or a barrier coat.',
  'over.keyed': () => 'It was abraded before the first stage.',
  'over.vouched': () => 'Vouched for in this job.',
};
