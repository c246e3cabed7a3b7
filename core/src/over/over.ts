import type { PaintSystemKey } from '../finish';
import { messageWithoutValues, TOLERANCE } from '../kit';
import type { FilmAgeMarks } from './marks';
import type { CompatibilityMessage } from './messages';
import { type PairRule, pairRule } from './pairs';

export type CompatibilityAnswer = 'yes' | 'wait' | 'abrade' | 'barrier' | 'no';

/** Whether one film may go over another now. */
export interface Compatibility {
  readonly answer: CompatibilityAnswer;
  readonly reason: CompatibilityMessage;
  /** Age of the lower film from which the answer is a kinder one, minutes; null where waiting changes nothing. */
  readonly untilMin: number | null;
  /** Of a yes that holds within a recoat window: that window, ages of the lower film; left out where age is not asked. */
  readonly window?: { readonly fromMin: number; readonly toMin: number | null };
}

/** What one film goes over. */
export interface LowerFilm {
  /** Null: the bare substrate. */
  readonly marks: FilmAgeMarks | null;
  /** Minutes since its last coat. */
  readonly ageMin: number;
  /** False if its exact kind is unknown: found on the part, not applied in this job. */
  readonly known: boolean;
}

const verdict = (
  answer: CompatibilityAnswer,
  reason: CompatibilityMessage['code'],
  untilMin: number | null = null,
): Compatibility => ({
  answer,
  reason: messageWithoutValues(reason) as CompatibilityMessage,
  untilMin,
});

/**
 * Compatibility of a film with the system that goes over it, at its present age.
 * The pair selects a rule, the age of the lower film gives the answer.
 * @param upper system that goes on
 * @returns an answer with its reason; ages of the lower film in minutes. Rules of thumb of the trade: the data sheet
 *   decides
 */
export function compatibilityOf(lower: LowerFilm, upper: PaintSystemKey): Compatibility {
  const { marks, ageMin, known } = lower;
  if (!marks) return verdict('yes', 'over.bare');
  if (upper === 'antifouling' && marks.system === 'antifouling' && !known)
    return verdict('barrier', 'over.antifouling-unknown');
  const rule = pairRule(marks.system, upper);
  if (rule.kind === 'no' || rule.kind === 'barrier') return verdict(rule.kind, rule.reason);
  if (rule.kind === 'cured') return curedVerdict(rule, marks, ageMin);
  if (upper === 'varnish' && ageMin < marks.touchMin - SAME_AGE)
    return verdict('no', 'over.varnish-tacky', marks.touchMin);
  return rule.kind === 'dry' ? dryVerdict(rule, marks, ageMin) : windowVerdict(rule, marks, ageMin);
}

/** Ages nearer than this are the same, minutes: a film that was waited for has reached the age. */
const SAME_AGE = TOLERANCE.timeMin;

type RuleOf<Kind extends PairRule['kind']> = Extract<PairRule, { kind: Kind }>;

const hasCured = ({ cureMin }: FilmAgeMarks, ageMin: number): boolean =>
  cureMin !== null && ageMin >= cureMin - SAME_AGE;

function curedVerdict({ then, young, reason }: RuleOf<'cured'>, marks: FilmAgeMarks, ageMin: number): Compatibility {
  if (hasCured(marks, ageMin)) return verdict(then, reason);
  // A film without a stated cure never counts as cured.
  return marks.cureMin === null ? verdict('barrier', 'over.not-known') : verdict('no', young, marks.cureMin);
}

/** Of a film that is too young, or between its two windows: what it waits for. */
function waitVerdict({ recoat }: FilmAgeMarks, ageMin: number): Compatibility | null {
  const next = recoat.find(({ fromMin }) => fromMin > ageMin + SAME_AGE);
  if (!next || openWindow(recoat, ageMin)) return null;
  const gap = recoat.some(({ toMin }) => toMin !== null && toMin < ageMin);
  return verdict('wait', gap ? 'over.in-gap' : 'over.not-flashed', next.fromMin);
}

const openWindow = (recoat: FilmAgeMarks['recoat'], ageMin: number): FilmAgeMarks['recoat'][number] | undefined =>
  recoat.find(({ fromMin, toMin }) => ageMin >= fromMin - SAME_AGE && (toMin === null || ageMin <= toMin + SAME_AGE));

function dryVerdict({ glossy, reason }: RuleOf<'dry'>, marks: FilmAgeMarks, ageMin: number): Compatibility {
  if (glossy) {
    const hardMin = hardAge(marks);
    return ageMin < hardMin - SAME_AGE ? verdict('wait', 'over.not-hard', hardMin) : verdict('abrade', reason);
  }
  const early = waitVerdict(marks, ageMin);
  if (early) return early;
  const { fromMin } = openWindow(marks.recoat, ageMin) ?? marks.recoat.at(-1)!;
  return { ...verdict('yes', reason), window: { fromMin, toMin: nextGap(marks, ageMin) } };
}

/** When a film can be scuffed: as its first window closes, or its second opens. */
function hardAge({ recoat, touchMin }: FilmAgeMarks): number {
  const last = recoat.at(-1)!;
  return Math.max(touchMin, recoat.length > 1 ? last.fromMin : (last.toMin ?? last.fromMin));
}

/** When a gap between two windows begins after this age; null: never. */
const nextGap = ({ recoat }: FilmAgeMarks, ageMin: number): number | null =>
  recoat.find(({ toMin }, index) => toMin !== null && toMin >= ageMin && index < recoat.length - 1)?.toMin ?? null;

function windowVerdict({ keyed }: RuleOf<'windows'>, marks: FilmAgeMarks, ageMin: number): Compatibility {
  const early = waitVerdict(marks, ageMin);
  if (early) return early;
  const window = openWindow(marks.recoat, ageMin);
  if (keyed && hasCured(marks, ageMin)) return verdict('abrade', keyed);
  if (!window) return verdict('abrade', 'over.past-limit');
  const ends = [window.toMin, keyed ? marks.cureMin : null].filter((end) => end !== null);
  return {
    ...verdict('yes', window.toMin === null ? 'over.from-now' : 'over.in-window'),
    window: { fromMin: window.fromMin, toMin: ends.length > 0 ? Math.min(...ends) : null },
  };
}
