import type { Doubt, Hold, OpeningMessage, OpeningUse, PaintSystemKey } from '@lintrel/core';
import type { AskWords } from '../ask';
import { OPENING_NAMES, SYSTEM_NAMES } from './names';

/** Whether a tape may lie on what is below. */
const HOLDS: Readonly<Record<Hold, string>> = {
  safe: 'It may lie there',
  test: 'Test pull first in a hidden place',
  no: 'It would take the paint with it',
};

const hold: AskWords<{
  tape: string;
  paint: PaintSystemKey;
  hold: Hold;
  deTack: number | null;
  safeFromMin: number | null;
  outstays: boolean;
  staysMin: number;
}> = {
  title: 'May this tape go on that paint, now?',
  about:
    'By the kind of paint below, its age and how long the tape stays, at 23 °C. An estimate: a test pull in a hidden place has the last word.',
  keys: { tape: 'Tape', paint: 'Paint below', ageMinutes: 'Its age now', stays: 'The tape stays' },
  choices: (choice) => SYSTEM_NAMES[choice as PaintSystemKey] ?? choice,
  answer: ({ hold: level, deTack, safeFromMin, outstays, staysMin }, { minutes }) => ({
    headline: HOLDS[level],
    tone: level === 'safe' ? (outstays ? 'caution' : 'good') : level === 'test' ? 'caution' : 'bad',
    rows: [
      ...(deTack
        ? [
            {
              label: 'Safe without a test',
              value: `stuck to clean cloth ${deTack === 1 ? 'once' : `${deTack} times`} first`,
            },
          ]
        : []),
      {
        label: 'Safe as it is (estimate)',
        value:
          safeFromMin === null
            ? 'never: take a gentler tape'
            : safeFromMin === 0
              ? 'at any age that takes tape'
              : `from ${minutes(safeFromMin)} on`,
      },
      ...(outstays
        ? [{ label: 'Comes off clean', value: `no longer after ${minutes(staysMin)}: pull it sooner` }]
        : []),
    ],
  }),
};

const CLOSINGS: Readonly<Record<OpeningMessage['code'], string>> = {
  'opening.foam': 'Foam, rolled sticky side out and pushed in',
  'opening.foam-strip': 'Foam strip, laid in without stretching it',
  'opening.disc': 'A disc, cut with a circle cutter',
  'opening.pane': 'Tape over it, rub its rim, cut on a mat, put it back',
  'opening.tape': 'Tape cut to its width',
  'opening.inside': 'Tape or a sheet from behind',
  'opening.film': 'Edge tape just inside, film, a second tape over its edge',
  'opening.back-mask': 'Tape inside the flange, sticky side out, cover stuck to it',
  'opening.box': 'Base tape just inside, lip tape, film, cap tape',
  'opening.sheet': 'Card cut to size, taped round',
  'opening.putty': 'Putty or damp tissue',
  'opening.sleeve': 'Small pieces round its foot, a sleeve over it',
  'opening.bag': 'A bag with a slit',
};

const opening: AskWords<{
  closing: OpeningMessage['code'];
  foamMm?: number;
  lengthMm?: number;
  discMm?: number;
  into?: boolean;
  widthMm?: number;
  heightMm?: number;
  tapeMm?: number;
  baseMm?: number;
  sideMm?: number;
  topMm?: number;
  capMm?: number;
  pieces?: number;
  pieceMm?: number;
  slitMm?: number;
}> = {
  title: 'Close an opening',
  about:
    'What stops a hole, a window, a gap or a jamb, and what to cut for it. Count what goes in, and what comes out.',
  keys: { use: 'It is a', diameter: 'Diameter', width: 'Width', height: 'Height', scale: 'Scale, 1 to' },
  ways: { round: 'Round', straight: 'With corners' },
  choices: (choice) => OPENING_NAMES[choice as OpeningUse] ?? choice,
  answer: (
    {
      closing,
      foamMm,
      lengthMm,
      discMm,
      into,
      widthMm,
      heightMm,
      tapeMm,
      baseMm,
      sideMm,
      topMm,
      capMm,
      pieces,
      pieceMm,
      slitMm,
    },
    { length, metres },
  ) => ({
    headline: CLOSINGS[closing],
    tone: 'good',
    rows: [
      ...(foamMm === undefined ? [] : [{ label: 'Foam strip', value: length(foamMm) }]),
      ...(lengthMm === undefined ? [] : [{ label: 'Cut it', value: `${length(lengthMm)} long` }]),
      ...(discMm === undefined
        ? []
        : [{ label: into ? 'Disc, into the recess' : 'Disc, over the rim', value: length(discMm) }]),
      ...(baseMm === undefined ? [] : [{ label: 'Base tape', value: metres(baseMm) }]),
      ...(sideMm === undefined || topMm === undefined
        ? []
        : [{ label: 'Lip tape', value: `2 × ${length(sideMm)}, then 2 × ${length(topMm)}` }]),
      ...(capMm === undefined ? [] : [{ label: 'Cap tape', value: metres(capMm) }]),
      ...(pieces === undefined || pieceMm === undefined
        ? []
        : [{ label: 'Pieces', value: `${pieces} of ${length(pieceMm)}` }]),
      ...(slitMm === undefined ? [] : [{ label: 'Slit', value: length(slitMm) }]),
      ...(widthMm === undefined || heightMm === undefined
        ? []
        : [
            {
              label:
                closing === 'opening.pane'
                  ? 'Pane'
                  : closing === 'opening.sheet'
                    ? 'Card'
                    : closing === 'opening.putty'
                      ? 'To cover'
                      : 'Film',
              value: `${length(widthMm)} × ${length(heightMm)}`,
            },
          ]),
      ...(tapeMm === undefined ? [] : [{ label: 'Tape', value: metres(tapeMm) }]),
    ],
  }),
};

const which: AskWords<{
  tape: string;
  name: string;
  verdict: 'lays' | 'stretch' | 'too-tight' | 'impossible';
  meanStretch: number;
  hold: Hold;
  deTack: number;
  doubts: readonly Doubt[];
}> = {
  title: 'Which tape for this bend, on this paint, today?',
  about:
    'Of all tapes in stock: the one that makes the bend, lifts nothing off, sticks at this temperature and comes off clean in time. Leave the radius empty for a straight line.',
  keys: {
    radius: 'Radius of the edge',
    body: 'The tape lies',
    paint: 'Paint below',
    ageMinutes: 'Its age now',
    stays: 'The tape stays',
    surface: 'Surface today',
    edge: 'The edge',
  },
  choices: (choice) =>
    ({
      inside: 'inside the bend',
      outside: 'outside the bend',
      crisp: 'makes a line that stays',
      rough: 'is painted over later',
    })[choice] ??
    SYSTEM_NAMES[choice as PaintSystemKey] ??
    choice,
  answer: ({ tape, verdict, meanStretch, hold: level, deTack, doubts }, { share, say }) => ({
    headline: `Take ${tape}`,
    tone:
      doubts.length === 0
        ? 'good'
        : verdict === 'too-tight' || verdict === 'impossible' || level === 'no'
          ? 'bad'
          : 'caution',
    rows: [
      {
        label: 'Lay it in',
        value:
          verdict === 'stretch'
            ? `with about ${share(meanStretch)} of stretch`
            : verdict === 'lays'
              ? 'flat, without stretch'
              : 'too tight for it: split the run at the bend',
      },
      { label: 'On that paint (estimate)', value: HOLDS[level] },
      ...(deTack > 0
        ? [{ label: 'Before', value: `stick it to clean cloth ${deTack === 1 ? 'once' : `${deTack} times`}` }]
        : []),
      ...doubts.map((doubt) => ({ label: 'Mind', value: say(doubt) })),
    ],
  }),
};

const disc: AskWords<{
  discMm: number;
  discCutterMm: number;
  ringInnerMm: number;
  ringOuterMm: number;
  innerCutterMm: number;
  outerCutterMm: number;
}> = {
  title: 'Disc and ring masks',
  about:
    'A disc covers a round opening or dot, over its rim; a ring leaves the round open and covers what is beside it. The cutter is set to the radius.',
  keys: { diameter: 'Diameter of the round', overlap: 'Disc laps over by', band: 'Width of the ring' },
  answer: ({ discMm, discCutterMm, ringInnerMm, ringOuterMm, innerCutterMm, outerCutterMm }, { length }) => ({
    headline: `Disc ${length(discMm)} across`,
    tone: 'good',
    rows: [
      { label: 'Cutter for the disc', value: length(discCutterMm) },
      { label: 'Ring, inside and outside across', value: `${length(ringInnerMm)} and ${length(ringOuterMm)}` },
      { label: 'Cutter for the ring, inside first', value: `${length(innerCutterMm)}, then ${length(outerCutterMm)}` },
    ],
  }),
  sketch: () => 'The ring, and the disc within it as a thin line',
};

/** Questions about what is stuck where. */
export const ASK_MASKING = { which, hold, opening, disc };
