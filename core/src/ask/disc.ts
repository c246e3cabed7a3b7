import { lengthFromZeroKey, lengthKey, optional } from './key';
import { closedLoop, question } from './question';

/** Places round a circle that is drawn. */
const STEPS = 72;

export const disc = question({
  name: 'disc',
  keys: {
    diameter: lengthKey('120'),
    overlap: optional(lengthFromZeroKey('5'), 5),
    band: optional(lengthKey('20'), 20),
  },
  ways: [],
  // A disc covers what is round; a ring covers what is beside it and leaves it open.
  answer: ({ diameter, overlap, band }) => {
    const [d, lap, wide] = [diameter as number, overlap as number, band as number];
    return {
      ok: true,
      value: {
        discMm: d + 2 * lap,
        discCutterMm: d / 2 + lap,
        ringInnerMm: d,
        ringOuterMm: d + 2 * wide,
        innerCutterMm: d / 2,
        outerCutterMm: d / 2 + wide,
      },
    };
  },
  sketch: ({ ringInnerMm, ringOuterMm, discMm }) => {
    const circle = (diameter: number) =>
      closedLoop(
        Array.from({ length: STEPS }, (_, step) => {
          const angle = (2 * Math.PI * step) / STEPS;
          return { x: (diameter / 2) * Math.cos(angle), y: (diameter / 2) * Math.sin(angle) };
        }),
      );
    return {
      strokes: [
        { tone: 'ink', points: circle(ringOuterMm) },
        { tone: 'ink', points: circle(ringInnerMm) },
        { tone: 'quiet', points: circle(discMm) },
      ],
      words: [],
    };
  },
});
