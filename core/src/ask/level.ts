import { levelOnTube, type LevelPlace } from '../lines';
import { showLength } from '../units';
import { lengthKey, numberKey, signedLengthKey } from './key';
import { box, question, refuseAt } from './question';

/** A table longer than this is no table. */
const MOST_ROWS = 2000;

export const level = question({
  name: 'level',
  title: 'A level line along a tube',
  about: 'Where a level line runs on a tube that rises: by angle and by girth from the top. Each row is so far along the tube.',
  keys: {
    diameter: lengthKey({ label: 'Diameter', example: '320' }),
    height: signedLengthKey({ label: 'Level above the axis, at the start', example: '60' }),
    pitch: numberKey({ label: 'Axis rises by', example: '4' }, -89, 89, '°'),
    length: lengthKey({ label: 'Length of the tube', example: '1600' }),
    step: lengthKey({ label: 'A mark every', example: '200' }),
  },
  ways: [],
  answer: ({ diameter, height, pitch, length, step }) => {
    const [d, h, p, l, s] = [diameter, height, pitch, length, step] as number[];
    if (l / s > MOST_ROWS) return refuseAt('step', `gives more than ${MOST_ROWS} rows: take a longer step`);
    const table = levelOnTube({ diameterMm: d, heightMm: h, pitchDeg: p, lengthMm: l, stepMm: s });
    return { ok: true, value: { table, diameterMm: d, lengthMm: l } };
  },
  words: ({ table }) => {
    const met = table.filter(({ angleDeg }) => angleDeg !== null);
    return {
      headline:
        met.length === 0
          ? 'The level misses the tube'
          : met.length < table.length
            ? 'The level leaves the tube on its way'
            : 'The level meets the tube all along',
      tone: met.length === 0 ? 'bad' : met.length < table.length ? 'caution' : 'good',
      rows: table.slice(0, 12).map(({ x, angleDeg, girthFromTopMm }) => ({
        label: `At ${showLength(x)}`,
        value: angleDeg === null || girthFromTopMm === null ? 'misses the tube' : `${angleDeg.toFixed(1)}° from the top, ${showLength(girthFromTopMm)} round`,
      })),
    };
  },
  sketch: ({ table, diameterMm, lengthMm }) => {
    const half = (Math.PI * diameterMm) / 2;
    const on = table.filter((row): row is LevelPlace & { girthFromTopMm: number } => row.girthFromTopMm !== null);
    const side = (sign: number) => on.map(({ x, girthFromTopMm }): [number, number] => [x, sign * girthFromTopMm]);
    return {
      label: 'The tube unrolled, its top in the middle, with the level on both sides',
      strokes: [
        { tone: 'fill', points: box(0, -half, lengthMm, half) },
        {
          tone: 'quiet',
          points: [
            [0, 0],
            [lengthMm, 0],
          ],
        },
        ...(on.length > 1 ? ([-1, 1] as const).map((sign) => ({ tone: 'ink' as const, points: side(sign) })) : []),
        ...on.flatMap(({ x, girthFromTopMm }) => [{ tone: 'mark' as const, points: [[x, girthFromTopMm] as const] }]),
      ],
      words: [],
    };
  },
});
