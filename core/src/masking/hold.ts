import type { DryingAir } from '../air';
import { type Finish, type PaintSystemKey, typicalFigures } from '../finish';
import { filmAgeMarks } from '../over';
import type { Tape } from '../tape';
import { MASKING_RULES } from './rules-of-thumb';

/** Whether a tape may lie on a film: it sticks and comes off clean; a test pull in a hidden place first; or it takes paint with it. */
export type Hold = 'safe' | 'test' | 'no';

/** The film a tape lies on, as far as it holds to what is below it. */
export interface FilmBelow {
  /** Null: nothing is on it that could come off. */
  readonly system: PaintSystemKey | null;
  /** Its own figures where it is on the shelf; typical ones of its system else. */
  readonly finish: Pick<
    Finish,
    'flashMin' | 'touchMin' | 'throughMin' | 'recoat' | 'cureH' | 'activationKj' | 'referenceBuildUm'
  > | null;
  /** How old it is at the moment that counts: when the tape comes off. */
  readonly ageMin: number;
  /** True where airbrush acrylic stands on bare plastic, with no primer between. */
  readonly onBarePlastic: boolean;
}

/**
 * How strongly a film holds to what is below it at an age, N/25 mm: half of its full hold when it is dry through, all of it when it has cured.
 * @returns Infinity where there is no film
 * Source: full hold by system, rule of thumb; growth between the marks of its data sheet.
 */
export function filmBond({ system, finish, ageMin, onBarePlastic }: FilmBelow, air: DryingAir): number {
  if (system === null) return Infinity;
  const full = fullBond(system, onBarePlastic);
  const { cureMin, throughMin } = filmAgeMarks({ system, ...(finish ?? typicalFigures(system)) }, air);
  // What does not harden but only dries has its hold when it is dry through.
  if (cureMin === null || cureMin <= throughMin) return full * Math.min(1, ageMin / throughMin);
  // Varnish that has not cured is of doubtful hold.
  if (system === 'varnish' && ageMin < cureMin) return MASKING_RULES.doubtfulVarnishBond;
  if (ageMin < throughMin) return (0.5 * full * ageMin) / throughMin;
  return full * Math.min(1, 0.5 + (0.5 * (ageMin - throughMin)) / (cureMin - throughMin));
}

function fullBond(system: PaintSystemKey, onBarePlastic: boolean): number {
  const { filmBond: bonds, bareStyreneBond } = MASKING_RULES;
  return system === 'air-acrylic' && onBarePlastic ? bareStyreneBond : bonds[system];
}

/** How often a tape is stuck to clean cloth before use. */
export type DeTack = 0 | 1 | 3;

/** How a tape grips, N/25 mm: less after it was stuck to cloth, more the longer it stays. @param dwellShare how long it stays, over how long it comes off clean */
export const tapeGrip = ({ adhesionN25 }: Pick<Tape, 'adhesionN25'>, dwellShare: number, deTack: DeTack = 0): number =>
  adhesionN25 * MASKING_RULES.deTack[deTack] * (1 + MASKING_RULES.gripGrowth * Math.min(1, dwellShare));

/**
 * Whether a tape may lie on a film: bond of the film over grip of the tape, in three levels.
 * Source: lift margin, rule of thumb; a test pull in a hidden place overrides it.
 */
export function holdOnFilm(bondN25: number, gripN25: number): Hold {
  const margin = bondN25 / gripN25;
  return margin >= MASKING_RULES.liftMargin.safe ? 'safe' : margin >= MASKING_RULES.liftMargin.test ? 'test' : 'no';
}

/** The least that makes a tape safe that would need a test pull; null where nothing does, or nothing is needed. */
export function deTackFor(bondN25: number, tape: Pick<Tape, 'adhesionN25'>, dwellShare: number): DeTack | null {
  if (holdOnFilm(bondN25, tapeGrip(tape, dwellShare)) !== 'test') return null;
  return ([1, 3] as const).find((times) => holdOnFilm(bondN25, tapeGrip(tape, dwellShare, times)) === 'safe') ?? null;
}
