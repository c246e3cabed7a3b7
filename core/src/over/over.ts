import type { PaintSystemKey } from '../finish';
import { plainly } from '../units';
import type { LayerMarks } from './marks';
import type { OverSaid } from './says';

export const OVER_ANSWERS = ['yes', 'wait', 'abrade', 'barrier', 'no'] as const;
export type OverAnswer = (typeof OVER_ANSWERS)[number];

/** Whether one film may go over another now. */
export interface OverVerdict {
  readonly answer: OverAnswer;
  readonly reason: OverSaid;
  /** Age of the lower film from which the answer is a kinder one, minutes; null where waiting changes nothing. */
  readonly untilMin: number | null;
  /** Of a yes that holds within a recoat window: that window, ages of the lower film; left out where age is not asked. */
  readonly window?: { readonly fromMin: number; readonly toMin: number | null };
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

const verdict = (answer: OverAnswer, reason: OverSaid['code'], untilMin: number | null = null): OverVerdict => ({ answer, reason: plainly(reason), untilMin });

/**
 * Says whether a film may go over another, now.
 * The first rule that speaks decides: what never goes, what is too young, what has its window, what has grown too old.
 * @param upper system that goes on
 * @returns an answer with its reason; ages in minutes of the lower film. Rules of thumb of the trade: the data sheet decides
 */
export function mayGoOver(lower: LowerFilm, upper: PaintSystemKey): OverVerdict {
  const { marks, ageMin } = lower;
  if (!marks) return verdict('yes', 'over.bare');
  return pairRule(marks, lower, upper) ?? ageRule(marks, ageMin, upper);
}

/** Ages nearer than this are the same, minutes: a film that was waited for has reached the age. */
const SAME_AGE = 1e-6;

/** What holds for a pair of systems whatever the windows say. */
function pairRule(marks: LayerMarks, { ageMin, known }: LowerFilm, upper: PaintSystemKey): OverVerdict | null {
  const below = marks.system;
  const curedAt = marks.cureMin;
  const young = curedAt !== null && ageMin < curedAt - SAME_AGE;
  if (upper === 'dope' && ENAMELS.includes(below)) return verdict('no', 'over.dope-lifts');
  if (upper === 'antifouling' && below === 'antifouling' && !known) return verdict('barrier', 'over.antifouling-unknown');
  if (upper === 'peelable' && young) return verdict('no', 'over.peelable-young', curedAt);
  if (HOT_LACQUERS.includes(upper) && ENAMELS.includes(below)) {
    return young ? verdict('no', 'over.hot-young', curedAt) : verdict('abrade', 'over.hot-cured');
  }
  if (HOT_LACQUERS.includes(upper) && ACRYLICS.includes(below)) return verdict('barrier', 'over.lacquer-bites');
  if (upper === 'varnish' && ageMin < marks.touchMin - SAME_AGE) return verdict('no', 'over.varnish-tacky', marks.touchMin);
  return null;
}

/** What the age of the lower film says. */
function ageRule(marks: LayerMarks, ageMin: number, upper: PaintSystemKey): OverVerdict {
  const { recoat, cureMin } = marks;
  const window = recoat.find(({ fromMin, toMin }) => ageMin >= fromMin - SAME_AGE && (toMin === null || ageMin <= toMin + SAME_AGE));
  const next = recoat.find(({ fromMin }) => fromMin > ageMin + SAME_AGE);
  const cured = cureMin !== null && ageMin >= cureMin;
  if (next && !window) {
    const gap = recoat.some(({ toMin }) => toMin !== null && toMin < ageMin);
    return verdict('wait', gap ? 'over.in-gap' : 'over.not-flashed', next.fromMin);
  }
  if (cured && TWO_PART.includes(upper)) return verdict('abrade', 'over.cured-two-part');
  if (cured && ACRYLICS.includes(upper)) return waterOverCured(marks.system, upper);
  if (!window) return verdict('abrade', 'over.past-limit');
  return { ...verdict('yes', window.toMin === null && !cured ? 'over.from-now' : 'over.in-window'), window };
}

function waterOverCured(below: PaintSystemKey, upper: PaintSystemKey): OverVerdict {
  const kind = PRIMERS.includes(below) || LACQUERS.includes(below) || ACRYLICS.includes(below);
  if (upper === 'air-acrylic' && kind) return verdict('yes', 'over.acrylic-holds');
  return verdict('abrade', 'over.water-keyed');
}
