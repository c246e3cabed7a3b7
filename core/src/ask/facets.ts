import { messageWithoutValues } from '../kit';
import { facetsForBend } from '../tape';
import { lengthKey } from './key';
import { question, refuseAt } from './question';

export const facets = question({
  name: 'facets',
  keys: {
    radius: lengthKey('200'),
    slack: lengthKey('3'),
    arc: lengthKey('600'),
  },
  ways: [],
  answer: ({ radius, slack, arc }) => {
    const [r, s, a] = [radius as number, slack as number, arc as number];
    if (s >= 2 * r) return refuseAt('slack', messageWithoutValues('ask.slack'));
    return { ok: true, value: { ...facetsForBend(r, s, a) } };
  },
});
