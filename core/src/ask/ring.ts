import { ringAt } from '../lines';
import { ringOnSheet, sheetOf, type Surface } from '../surface';
import { layRoundBend, type BodySide } from '../tape';
import { showLength } from '../units';
import { showShare, VERDICT_WORDS } from './bend';
import { choiceKey, lengthFromZeroKey, lengthKey, optional, shareKey } from './key';
import { box, closedLoop, question, refuseAt, type SketchStroke } from './question';

export const ring = question({
  name: 'ring',
  title: 'A ring round a cone',
  about: 'A ring round a cone is not straight for the tape: on the unrolled skin it is an arc, and the tape has to be stretched for it or it wanders.',
  keys: {
    d1: lengthFromZeroKey({ label: 'Diameter at one end', example: '40' }),
    d2: lengthFromZeroKey({ label: 'Diameter at the other', example: '90' }),
    length: lengthKey({ label: 'Length along the axis', example: '120' }),
    at: lengthFromZeroKey({ label: 'Ring lies from the first end', example: '60' }),
    width: lengthKey({ label: 'Width of the tape', example: '6' }),
    stretch: shareKey({ label: 'Safe stretch', example: '0.15' }),
    fold: shareKey({ label: 'Fold limit', example: '0.005' }, 0.5),
    body: optional(choiceKey({ label: 'Tape lies towards', example: 'outside' }, ['inside', 'outside'] as const), 'outside' as BodySide),
  },
  ways: [],
  answer: ({ d1, d2, length, at, width, stretch, fold, body }) => {
    const [a, b, l, place] = [d1, d2, length, at] as number[];
    if (place > l) return refuseAt('at', `lies beyond the end: at most ${l} mm`);
    if (a + (b - a) * (place / l) <= 0) return refuseAt('at', 'lies at the tip, where there is no ring');
    const { girthMm, sheetRadiusMm } = ringOnSheet(a, b, l, place);
    const bend = layRoundBend(sheetRadiusMm ?? Infinity, { widthMm: width as number, stretch: stretch as number, fold: fold as number }, body as BodySide);
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
  words: ({ sheetRadiusMm, girthMm, verdict, meanStretch }) => ({
    ...VERDICT_WORDS[verdict],
    rows: [
      ...(verdict === 'stretch' ? [{ label: 'Stretch it by about', value: showShare(meanStretch) }] : []),
      { label: 'Once round', value: showLength(girthMm) },
      { label: 'Its radius on the skin', value: sheetRadiusMm === null ? 'straight: a tube' : showLength(sheetRadiusMm) },
    ],
  }),
  sketch: ({ d1, d2, lengthMm, atMm, widthMm }) => {
    const surface: Surface = d1 === d2 ? { kind: 'tube', diameter: d1, length: lengthMm } : { kind: 'cone', d1, d2, length: lengthMm };
    const sheet = sheetOf(surface);
    const slant = (sheet.round?.lengthMm ?? lengthMm) / lengthMm;
    const line = ringAt(sheet, atMm * slant).map(({ x, y }): [number, number] => [x, y]);
    const beside = ringAt(sheet, Math.min(sheet.round?.lengthMm ?? lengthMm, atMm * slant + widthMm)).map(({ x, y }): [number, number] => [x, y]);
    const strokes: SketchStroke[] = [
      { tone: 'fill', points: d1 === d2 ? box(0, -(Math.PI * d1) / 2, lengthMm, (Math.PI * d1) / 2) : closedLoop(sheet.ring) },
      { tone: 'tape', points: [...line, ...beside.reverse(), line[0]] },
      { tone: 'ink', points: line },
    ];
    return { label: 'The ring on the unrolled skin', strokes, words: [] };
  },
});
