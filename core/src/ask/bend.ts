import type { Place } from '../curves';
import { closeRing } from '../kit';
import { type BodySide, fitTapeToBend } from '../tape';
import { choiceKey, lengthKey, optional, shareKey, shelfKey } from './key';
import { noTape, question } from './question';

/** Half of what is drawn of the bend, radians: enough to see it bend, and no more than fits. */
const HALF_TURN = Math.PI / 4;

/** A piece of a bend about 0, 0, its middle at the top. */
const arc = (radius: number): Place[] =>
  Array.from({ length: 41 }, (_, index): Place => {
    const angle = Math.PI / 2 + HALF_TURN * (1 - index / 20);
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  });

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
      code === undefined
        ? { widthMm: width as number, stretch: stretch as number, fold: fold as number }
        : shelf.tapes.find((other) => other.code === code);
    if (!tape) return noTape(code as string, shelf);
    return {
      ok: true,
      value: {
        ...fitTapeToBend(radius as number, tape, body as BodySide),
        radiusMm: radius as number,
        widthMm: tape.widthMm,
        body,
      },
    };
  },
  sketch: ({ radiusMm, widthMm, innerRadiusMm }) => {
    const edge = arc(radiusMm);
    const lies = innerRadiusMm > 0;
    const [inner, outer] = [arc(Math.max(0, innerRadiusMm)), arc(innerRadiusMm + widthMm)];
    return {
      strokes: [
        ...(lies ? [{ tone: 'tape' as const, points: closeRing([...inner, ...[...outer].reverse()]) }] : []),
        { tone: 'ink' as const, points: edge },
        { tone: 'quiet' as const, points: [[0, 0], edge[Math.floor(edge.length / 2)]!] },
      ],
      // Beside the radius, not on it.
      words: [{ at: [radiusMm / 4, radiusMm / 2], what: { code: 'sketch.radius', values: { radiusMm } } }],
    };
  },
});
