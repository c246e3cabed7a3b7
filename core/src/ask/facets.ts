import { facetsRound } from '../tape';
import { showLength } from '../units';
import { lengthKey } from './key';
import { question, refuseAt } from './question';

export const facets = question({
  name: 'facets',
  title: 'Straight pieces behind a bend',
  about: 'Backing tape does not bend: lay it in straight pieces. The slack is how far a piece may stray from the curve.',
  keys: {
    radius: lengthKey({ label: 'Radius of the bend', example: '200' }),
    slack: lengthKey({ label: 'Slack', example: '3' }),
    arc: lengthKey({ label: 'Length along the bend', example: '600' }),
  },
  ways: [],
  answer: ({ radius, slack, arc }) => {
    const [r, s, a] = [radius as number, slack as number, arc as number];
    if (s >= 2 * r) return refuseAt('slack', 'must be less than the diameter of the bend');
    return { ok: true, value: { ...facetsRound(r, s, a) } };
  },
  words: ({ facetLengthMm, pieces, evenLengthMm }) => ({
    headline: pieces === 1 ? '1 piece does it' : `${pieces} pieces`,
    tone: 'good',
    rows: [
      { label: 'Longest piece', value: showLength(facetLengthMm) },
      { label: 'Each, shared out evenly', value: showLength(evenLengthMm) },
    ],
  }),
});
