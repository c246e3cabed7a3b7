import { layOverDome } from '../tape';
import { showLength } from '../units';
import { lengthKey, shareKey } from './key';
import { question } from './question';

export const dome = question({
  name: 'dome',
  title: 'A straight tape over a dome',
  about: 'A straight run over a surface that curves both ways pleats at its edges, and every pleat leaks.',
  keys: {
    radius: lengthKey({ label: 'Radius of the dome', example: '90' }),
    width: lengthKey({ label: 'Width of the tape', example: '18' }),
    fold: shareKey({ label: 'Fold limit', example: '0.005' }, 0.5),
  },
  ways: [],
  answer: ({ radius, width, fold }) => ({ ok: true, value: { ...layOverDome(radius as number, width as number, fold as number) } }),
  words: ({ pleatStrain, lays, widestMm }) => ({
    headline: lays ? 'Lays without pleats' : 'Pleats at its edges: take a narrower tape',
    tone: lays ? 'good' : 'bad',
    rows: [
      { label: 'Widest that lays', value: showLength(widestMm) },
      { label: 'Pleat at the edges (estimate)', value: `${(pleatStrain * 100).toFixed(2)} %` },
    ],
  }),
});
