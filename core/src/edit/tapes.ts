import type { Design, TapePin } from '../job';
import type { TapeCode } from '../units';

/** Where a person chooses a tape: one side of a line, a line, or, with neither part nor line, all lines of the job. */
export type TapePlace = Omit<TapePin, 'tape'>;

/**
 * A design with a tape chosen for a place.
 * @param tape null: the plan chooses again
 */
export function pinTape(design: Design, place: TapePlace, tape: TapeCode | null): Design {
  const { tapes = [], ...choices } = design.choices;
  const rest = tapes.filter(({ part, line, side }) => part !== place.part || line !== place.line || side !== place.side);
  const next = tape === null ? rest : [...rest, { ...place, tape }];
  return { ...design, choices: { ...choices, ...(next.length === 0 ? {} : { tapes: next }) } };
}

/** A design in which a tape is not used, or is used again. */
export function forbidTape(design: Design, tape: TapeCode, forbidden: boolean): Design {
  const { notTapes = [], ...choices } = design.choices;
  const rest = notTapes.filter((code) => code !== tape);
  const next = forbidden ? [...rest, tape] : rest;
  return { ...design, choices: { ...choices, ...(next.length === 0 ? {} : { notTapes: next }) } };
}
