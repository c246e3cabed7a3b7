import type { PaintSystemKey } from '../finish';
import type { LayerMarks } from './marks';

export const OVER_ANSWERS = ['yes', 'wait', 'abrade', 'barrier', 'no'] as const;
export type OverAnswer = (typeof OVER_ANSWERS)[number];

/** Whether one film may go over another now. */
export interface OverVerdict {
  readonly answer: OverAnswer;
  readonly reason: string;
  /** Age of the lower film from which the answer is a kinder one, minutes; null where waiting changes nothing. */
  readonly untilMin: number | null;
}

/** What one film goes over. */
export interface LowerFilm {
  /** Null: the bare substrate. */
  readonly marks: LayerMarks | null;
  /** Minutes since its last coat. */
  readonly ageMin: number;
  /** False where nobody knows what exactly it is: found on the part, not put there in this job. */
  readonly known: boolean;
}

const ENAMELS: readonly PaintSystemKey[] = ['can-enamel', 'brush-enamel', 'varnish'];
const HOT_LACQUERS: readonly PaintSystemKey[] = ['can-lacquer', 'air-lacquer'];
const ACRYLICS: readonly PaintSystemKey[] = ['air-acrylic', 'base-water'];
const TWO_PART: readonly PaintSystemKey[] = ['two-part', 'clear-two-part', 'fabric-urethane', 'filler-primer'];
const PRIMERS: readonly PaintSystemKey[] = ['etch-primer', 'filler-primer'];
const LACQUERS: readonly PaintSystemKey[] = ['can-lacquer', 'air-lacquer', 'base-solvent'];

const verdict = (answer: OverAnswer, reason: string, untilMin: number | null = null): OverVerdict => ({ answer, reason, untilMin });

/**
 * Says whether a film may go over another, now.
 * The first rule that speaks decides: what never goes, what is too young, what has its window, what has grown too old.
 * @param upper system that goes on
 * @returns an answer with its reason; ages in minutes of the lower film. Rules of thumb of the trade: the data sheet decides
 */
export function mayGoOver(lower: LowerFilm, upper: PaintSystemKey): OverVerdict {
  const { marks, ageMin } = lower;
  if (!marks) return verdict('yes', 'Nothing is below it but the substrate: clean and key that first.');
  return pairRule(marks, lower, upper) ?? ageRule(marks, ageMin, upper);
}

/** What holds for a pair of systems whatever the windows say. */
function pairRule(marks: LayerMarks, { ageMin, known }: LowerFilm, upper: PaintSystemKey): OverVerdict | null {
  const below = marks.system;
  const curedAt = marks.cureMin;
  const young = curedAt !== null && ageMin < curedAt;
  if (upper === 'dope' && ENAMELS.includes(below)) return verdict('no', 'Dope lifts enamel and varnish, cured or not.');
  if (upper === 'antifouling' && below === 'antifouling' && !known)
    return verdict('barrier', 'Two antifoulings may not agree, and nobody knows what is below: a barrier coat between them.');
  if (upper === 'peelable' && young) return verdict('no', 'Peelable rubber takes uncured paint with it when it is pulled.', curedAt);
  if (HOT_LACQUERS.includes(upper) && ENAMELS.includes(below)) {
    return young
      ? verdict('no', 'Hot lacquer wrinkles enamel that has not cured.', curedAt)
      : verdict('abrade', 'Cured enamel gives lacquer no hold until it is keyed.');
  }
  if (HOT_LACQUERS.includes(upper) && ACRYLICS.includes(below)) return verdict('barrier', 'Lacquer bites into acrylic: a barrier coat between them.');
  if (upper === 'varnish' && ageMin < marks.touchMin) return verdict('no', 'Varnish over a tacky film wrinkles and stays soft.', marks.touchMin);
  return null;
}

/** What the age of the lower film says. */
function ageRule(marks: LayerMarks, ageMin: number, upper: PaintSystemKey): OverVerdict {
  const { recoat, cureMin } = marks;
  const window = recoat.find(({ fromMin, toMin }) => ageMin >= fromMin && (toMin === null || ageMin <= toMin));
  const next = recoat.find(({ fromMin }) => fromMin > ageMin);
  const cured = cureMin !== null && ageMin >= cureMin;
  if (next && !window) {
    const gap = recoat.some(({ toMin }) => toMin !== null && toMin < ageMin);
    const reason = gap
      ? 'It is in the gap between its two recoat windows: what goes on now wrinkles it.'
      : 'It has not flashed off: what goes on now traps its solvent.';
    return verdict('wait', reason, next.fromMin);
  }
  if (cured && TWO_PART.includes(upper)) return verdict('abrade', 'A cured film gives a two-part coat no hold until it is keyed.');
  if (cured && ACRYLICS.includes(upper)) return waterOverCured(marks.system, upper);
  if (!window) return verdict('abrade', 'It is past its recoat limit: the next coat holds only on a keyed surface.');
  return verdict('yes', window.toMin === null && !cured ? 'It may be coated from now on.' : 'It is within its recoat window.');
}

function waterOverCured(below: PaintSystemKey, upper: PaintSystemKey): OverVerdict {
  const kind = PRIMERS.includes(below) || LACQUERS.includes(below) || ACRYLICS.includes(below);
  if (upper === 'air-acrylic' && kind) return verdict('yes', 'Airbrush acrylic holds on cured lacquer, acrylic and primer as they are.');
  return verdict('abrade', 'Waterborne paint holds on a cured film once it is keyed.');
}
