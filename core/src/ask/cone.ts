import { coneSheet, sheetOf } from '../surface';
import { showLength } from '../units';
import { lengthFromZeroKey, lengthKey } from './key';
import { box, closedLoop, question, refuseAt } from './question';

export const cone = question({
  name: 'cone',
  title: 'Wrap a cone',
  about: 'What a cone looks like unrolled: a piece of a ring. A cone with both ends the same is a tube, which unrolls to a rectangle.',
  keys: {
    d1: lengthFromZeroKey({ label: 'Diameter at one end', example: '40' }),
    d2: lengthFromZeroKey({ label: 'Diameter at the other', example: '90' }),
    length: lengthKey({ label: 'Length along the axis', example: '120' }),
  },
  ways: [],
  answer: ({ d1, d2, length }) => {
    if (d1 === 0 && d2 === 0) return refuseAt('d2', 'one end must have a diameter');
    const found = coneSheet(d1 as number, d2 as number, length as number);
    return { ok: true, value: { ...found, sinHalfAngle: Math.abs(found.sinHalfAngle), d1: d1 as number, d2: d2 as number, lengthMm: length as number } };
  },
  words: ({ slantMm, apexToSmallMm, apexToBigMm, sectorDeg }) => ({
    headline: apexToSmallMm === null ? 'A tube: it unrolls to a rectangle' : `A ring piece of ${sectorDeg.toFixed(2)}°`,
    tone: 'good',
    rows: [
      { label: 'Along the skin', value: showLength(slantMm) },
      ...(apexToSmallMm === null || apexToBigMm === null
        ? []
        : [
            { label: 'Inner radius', value: showLength(apexToSmallMm) },
            { label: 'Outer radius', value: showLength(apexToBigMm) },
          ]),
    ],
  }),
  sketch: ({ d1, d2, lengthMm }) => {
    if (d1 === d2) return { label: 'A rectangle', strokes: [{ tone: 'fill', points: box(0, 0, lengthMm, Math.PI * d1) }], words: [] };
    const { ring } = sheetOf({ kind: 'cone', d1, d2, length: lengthMm });
    return { label: 'The cone unrolled', strokes: [{ tone: 'fill', points: closedLoop(ring) }], words: [] };
  },
});
