import type { Place } from '../curves';
import { firstFour, messageWithoutValues } from '../kit';
import { type RevolutionAxis, ringRadiusOnSheet, skinOf, type Surface } from '../surface';
import { type BodySide, fitTapeToBend } from '../tape';
import { choiceKey, lengthFromZeroKey, lengthKey, optional, shareKey } from './key';
import { closedLoop, question, rectangleRing, refuseAt, type SketchStroke } from './question';

export const ring = question({
  name: 'ring',
  keys: {
    d1: lengthFromZeroKey('40'),
    d2: lengthFromZeroKey('90'),
    length: lengthKey('120'),
    at: lengthFromZeroKey('60'),
    width: lengthKey('6'),
    stretch: shareKey('0.15'),
    fold: shareKey('0.005', 0.5),
    body: optional(choiceKey('outside', ['inside', 'outside'] as const), 'outside' as BodySide),
  },
  ways: [],
  answer: ({ d1, d2, length, at, width, stretch, fold, body }) => {
    const [a, b, l, place] = firstFour([d1, d2, length, at] as number[]);
    if (place > l) return refuseAt('at', { code: 'ask.beyond-end', values: { mostMm: l } });
    if (a + (b - a) * (place / l) <= 0) return refuseAt('at', messageWithoutValues('ask.at-tip'));
    const { girthMm, sheetRadiusMm } = ringRadiusOnSheet(a, b, l, place);
    const bend = fitTapeToBend(
      sheetRadiusMm ?? Infinity,
      { widthMm: width as number, stretch: stretch as number, fold: fold as number },
      body as BodySide,
    );
    return {
      ok: true,
      value: {
        sheetRadiusMm,
        girthMm,
        verdict: bend.verdict,
        meanStretch: bend.meanStretch ?? 0,
        d1: a,
        d2: b,
        lengthMm: l,
        atMm: place,
        widthMm: width as number,
      },
    };
  },
  sketch: ({ d1, d2, lengthMm, atMm, widthMm }) => {
    const surface: Surface =
      d1 === d2 ? { kind: 'tube', diameter: d1, length: lengthMm } : { kind: 'cone', d1, d2, length: lengthMm };
    const skin = skinOf(surface);
    const axle = skin.axle as RevolutionAxis;
    const slant = axle.lengthMm / lengthMm;
    const line = axle.ringAt(atMm * slant).map(({ x, y }): Place => [x, y]);
    const beside = axle.ringAt(Math.min(axle.lengthMm, atMm * slant + widthMm)).map(({ x, y }): Place => [x, y]);
    const strokes: SketchStroke[] = [
      {
        tone: 'fill',
        points: d1 === d2 ? rectangleRing(0, -(Math.PI * d1) / 2, lengthMm, (Math.PI * d1) / 2) : closedLoop(skin.ring),
      },
      { tone: 'tape', points: [...line, ...beside.reverse(), line[0]!] },
      { tone: 'ink', points: line },
    ];
    return { strokes, words: [] };
  },
});
