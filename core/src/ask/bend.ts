import { layRoundBend, type BodySide } from '../tape';
import { showLength } from '../units';
import { choiceKey, lengthKey, optional, shareKey, shelfKey } from './key';
import { question, refuseAt } from './question';

/** Percent for people. */
export const showShare = (share: number): string => `${(share * 100).toFixed(1)} %`;

/** What a bend does to a tape, in words. */
export const VERDICT_WORDS = {
  lays: { headline: 'Lays flat, no stretch needed', tone: 'good' },
  stretch: { headline: 'Lays when stretched', tone: 'good' },
  'too-tight': { headline: 'Too tight: it pleats or creeps back', tone: 'bad' },
  impossible: { headline: 'Impossible: the bend is narrower than the tape', tone: 'bad' },
} as const;

export const bend = question({
  name: 'bend',
  title: 'Will this tape make this bend?',
  about: 'The radius is measured to the edge that makes the line. Inside: the tape lies towards the centre of the bend.',
  keys: {
    radius: lengthKey({ label: 'Radius of the line', example: '120' }),
    body: optional(choiceKey({ label: 'Tape lies', example: 'outside' }, ['inside', 'outside'] as const), 'outside' as BodySide),
    tape: shelfKey({ label: 'Tape', example: 'V6' }, 'tapes'),
    width: lengthKey({ label: 'Width', example: '6' }),
    stretch: shareKey({ label: 'Safe stretch', example: '0.15' }),
    fold: shareKey({ label: 'Fold limit', example: '0.005' }, 0.5),
  },
  ways: [
    { label: 'A tape on the shelf', keys: ['tape'] },
    { label: 'Its figures', keys: ['width', 'stretch', 'fold'] },
  ],
  answer: ({ radius, body, tape: code, width, stretch, fold }, shelf) => {
    const tape =
      code === undefined ? { widthMm: width as number, stretch: stretch as number, fold: fold as number } : shelf.tapes.find((one) => one.code === code);
    if (!tape) return refuseAt('tape', `there is no tape "${code}" on the shelf; accepts ${shelf.tapes.map((one) => one.code).join(', ')}`);
    return { ok: true, value: { ...layRoundBend(radius as number, tape, body as BodySide) } };
  },
  words: ({ verdict, innerRadiusMm, meanStretch, outerStrain, tightestEdgeRadiusMm }) => ({
    ...VERDICT_WORDS[verdict],
    rows: [
      ...(verdict === 'stretch' ? [{ label: 'Stretch it by about', value: showShare(meanStretch ?? 0) }] : []),
      {
        label: 'Tightest line it follows',
        value: tightestEdgeRadiusMm === null ? 'none: it neither stretches nor folds' : `radius ${showLength(tightestEdgeRadiusMm)}`,
      },
      { label: 'Radius of its inner edge', value: innerRadiusMm > 0 ? showLength(innerRadiusMm) : 'none left' },
      ...(outerStrain === null ? [] : [{ label: 'Strain of its outer edge', value: showShare(Math.max(0, outerStrain)) }]),
    ],
  }),
});
