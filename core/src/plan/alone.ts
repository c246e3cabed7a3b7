import { batches } from '../batch';
import type { StageCost } from '../order';
import type { Said, Span } from '../units';
import type { Alone, StagePlan } from './types';

/** More sections than these are not told apart by the hand that is to keep a rhythm. */
const MOST_SECTIONS = 60;

/**
 * How one person keeps a window that is too short for pulling everything: the last coat goes on section by section, and each section is pulled
 * in its window, by the rhythm of `batches`. Sections are taken as alike: it is an estimate.
 * @param window in which each section is to be pulled, minutes after it was painted
 * @param sections areas that are sprayed in the stage, each piece of a part for itself
 * @returns null where there is no such window, where nothing is to be divided, or where no rhythm keeps the window
 */
export function aloneIn(
  { coatMin, blendMin, coats, pullMin }: Pick<StageCost, 'coatMin' | 'blendMin' | 'coats' | 'pullMin'>,
  window: Span | null,
  sections: number,
): Alone | null {
  if (window === null || window.to === null || sections < 2 || sections > MOST_SECTIONS) return null;
  const paintMin = (coatMin - blendMin) / coats / sections;
  const found = batches({ paintMin, pullMin: pullMin / sections, fromMin: window.from, toMin: window.to, strips: sections });
  return found.feasible ? { sections, ahead: found.paintAhead, totalMin: found.totalMinutes } : null;
}

/** The same as it is said beside a pull or a coat; nothing where it is not. */
export const aloneSaid = ({ alone }: StagePlan): { readonly alone?: Said } => (alone ? { alone: { code: 'advice.alone', values: { ...alone } } } : {});
