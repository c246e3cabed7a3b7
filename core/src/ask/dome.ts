import { fitTapeToDome } from '../tape';
import { lengthKey, shareKey } from './key';
import { question } from './question';

export const dome = question({
  name: 'dome',
  keys: {
    radius: lengthKey('90'),
    width: lengthKey('18'),
    fold: shareKey('0.005', 0.5),
  },
  ways: [],
  answer: ({ radius, width, fold }) => ({
    ok: true,
    value: { ...fitTapeToDome(radius as number, width as number, fold as number) },
  }),
});
