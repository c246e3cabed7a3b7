import type { SafetyCode } from '@lintrel/core';

/** Stands once under the cautions of a place. */
export const FOLLOW_DATA_SHEETS = "Follow the product's safety data sheet, local rules and licensed practice.";

/** Usual cautions. */
export const SAFETY_WORDS: Readonly<Record<SafetyCode, string>> = {
  solvent: 'Solvents: vapour filter, eye protection, gloves; moving air; no flame, heater, pilot light or spark.',
  dust: 'Sanding dust, above all of old paint, which may hold lead or chromate: wet where it can be, dust mask, collect the waste.',
  biocide: 'Antifouling dust is poison: wet only, mask, gloves, collect every drop of the waste.',
  blade: 'Blades: cut away from yourself and on tape, never on the finish; sheath it when you put it down.',
  static: 'Film draws static near solvent vapour: do not flap or rub it, wet the floor.',
  plugs:
    'Aircraft: every plug is counted and written down as it goes in; ports and drains are closed so that it is seen.',
  isocyanate:
    'Two-part hardener can hold isocyanates: supplied air and full cover, no one else in until it is cleared. Pulling wet keeps the protection on.',
  spray: 'Spray and solvent vapour: vapour filter, eyes, gloves, moving air; no flame, heater or spark.',
  can: 'Cans are under pressure and burn: never in living rooms, never near a flame, stove or pilot light.',
  rags: 'Rags with drying oils can heat up by themselves: into a water-filled metal bin.',
  antifouling: 'Antifouling is poison, and what may be used where is local law.',
  aircraft:
    "Aircraft: paint changes weight and balance of control surfaces; marks, ports, drains and placards are regulated; release is a licensed person's job.",
  height:
    'Above your reach: a trestle or platform that stands firm, never a foot on the piece; mind hoses and wet floor.',
  road: 'Road vehicles: lamps, plates, reflectors, sensors and brake parts stay clean.',
};
