import { layRoundBend, type BodySide } from '../tape';
import { choiceKey, lengthKey, optional, shareKey, shelfKey } from './key';
import { question, refuseAt } from './question';

export const bend = question({
  name: 'bend',
  keys: {
    radius: lengthKey('120'),
    body: optional(choiceKey('outside', ['inside', 'outside'] as const), 'outside' as BodySide),
    tape: shelfKey('V6', 'tapes'),
    width: lengthKey('6'),
    stretch: shareKey('0.15'),
    fold: shareKey('0.005', 0.5),
  },
  ways: [
    { name: 'shelf', keys: ['tape'] },
    { name: 'figures', keys: ['width', 'stretch', 'fold'] },
  ],
  answer: ({ radius, body, tape: code, width, stretch, fold }, shelf) => {
    const tape =
      code === undefined ? { widthMm: width as number, stretch: stretch as number, fold: fold as number } : shelf.tapes.find((one) => one.code === code);
    if (!tape) return refuseAt('tape', { code: 'ask.no-tape', values: { code: code as string, codes: shelf.tapes.map((one) => one.code) } });
    return { ok: true, value: { ...layRoundBend(radius as number, tape, body as BodySide) } };
  },
});
