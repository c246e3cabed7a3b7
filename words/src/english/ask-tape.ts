import type { Doubt, Fit, Hold, OpeningSaid, OpeningUse, PaintSystemKey } from '@lintrel/core';
import { counted } from '../table';
import type { AnswerWords, AskWords } from '../ask';
import type { Tongue } from '../tongue';
import { OPENING_NAMES, SYSTEM_NAMES } from './names';

/** What a bend does to a tape. */
const VERDICTS: Readonly<Record<Fit['verdict'], Pick<AnswerWords, 'headline' | 'tone'>>> = {
  lays: { headline: 'Lays flat, no stretch needed', tone: 'good' },
  stretch: { headline: 'Lays when stretched', tone: 'good' },
  'too-tight': { headline: 'Too tight: it pleats or creeps back', tone: 'bad' },
  impossible: { headline: 'Impossible: the bend is narrower than the tape', tone: 'bad' },
};

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

interface BandsAnswer {
  readonly lengthMm: number;
  readonly count: number;
  readonly widthMm: number;
  readonly gapMm: number;
  readonly marginMm: number;
}

/** Bands in a few words. */
export const bandsInWords = ({ count, widthMm, gapMm, marginMm }: Omit<BandsAnswer, 'lengthMm'>, { length }: Tongue): string =>
  `${count} of ${length(widthMm)} with gaps of ${length(gapMm)} and margins of ${length(marginMm)}`;

const bend: AskWords<{
  verdict: Fit['verdict'];
  innerRadiusMm: number;
  meanStretch: number | null;
  outerStrain: number | null;
  tightestEdgeRadiusMm: number | null;
}> = {
  title: 'Will this tape make this bend?',
  about: 'The radius is measured to the edge that makes the line. Inside: the tape lies towards the centre of the bend.',
  keys: { radius: 'Radius of the line', body: 'Tape lies', tape: 'Tape', width: 'Width', stretch: 'Safe stretch', fold: 'Fold limit' },
  ways: { shelf: 'A tape on the shelf', figures: 'Its figures' },
  answer: ({ verdict, innerRadiusMm, meanStretch, outerStrain, tightestEdgeRadiusMm }, { length }) => ({
    ...VERDICTS[verdict],
    rows: [
      ...(verdict === 'stretch' ? [{ label: 'Stretch it by about', value: percent(meanStretch ?? 0) }] : []),
      {
        label: 'Tightest line it follows',
        value: tightestEdgeRadiusMm === null ? 'none: it neither stretches nor folds' : `radius ${length(tightestEdgeRadiusMm)}`,
      },
      { label: 'Radius of its inner edge', value: innerRadiusMm > 0 ? length(innerRadiusMm) : 'none left' },
      ...(outerStrain === null ? [] : [{ label: 'Strain of its outer edge', value: percent(Math.max(0, outerStrain)) }]),
    ],
  }),
};

const facets: AskWords<{ facetLengthMm: number; pieces: number; evenLengthMm: number }> = {
  title: 'Straight pieces behind a bend',
  about: 'Backing tape does not bend: lay it in straight pieces. The slack is how far a piece may stray from the curve.',
  keys: { radius: 'Radius of the bend', slack: 'Slack', arc: 'Length along the bend' },
  answer: ({ facetLengthMm, pieces, evenLengthMm }, { length }) => ({
    headline: pieces === 1 ? '1 piece does it' : `${pieces} pieces`,
    tone: 'good',
    rows: [
      { label: 'Longest piece', value: length(facetLengthMm) },
      { label: 'Each, shared out evenly', value: length(evenLengthMm) },
    ],
  }),
};

const dome: AskWords<{ pleatStrain: number; lays: boolean; widestMm: number }> = {
  title: 'A straight tape over a dome',
  about: 'A straight run over a surface that curves both ways pleats at its edges, and every pleat leaks.',
  keys: { radius: 'Radius of the dome', width: 'Width of the tape', fold: 'Fold limit' },
  answer: ({ pleatStrain, lays, widestMm }, { length }) => ({
    headline: lays ? 'Lays without pleats' : 'Pleats at its edges: take a narrower tape',
    tone: lays ? 'good' : 'bad',
    rows: [
      { label: 'Widest that lays', value: length(widestMm) },
      { label: 'Pleat at the edges (estimate)', value: `${(pleatStrain * 100).toFixed(2)} %` },
    ],
  }),
};

const cone: AskWords<{ d1: number; d2: number; slantMm: number; apexToSmallMm: number | null; apexToBigMm: number | null; sectorDeg: number }> = {
  title: 'Wrap a cone',
  about: 'What a cone looks like unrolled: a piece of a ring. A cone with both ends the same is a tube, which unrolls to a rectangle.',
  keys: { d1: 'Diameter at one end', d2: 'Diameter at the other', length: 'Length along the axis' },
  answer: ({ slantMm, apexToSmallMm, apexToBigMm, sectorDeg }, { length }) => ({
    headline: apexToSmallMm === null ? 'A tube: it unrolls to a rectangle' : `A ring piece of ${sectorDeg.toFixed(2)}°`,
    tone: 'good',
    rows: [
      { label: 'Along the skin', value: length(slantMm) },
      ...(apexToSmallMm === null || apexToBigMm === null
        ? []
        : [
            { label: 'Inner radius', value: length(apexToSmallMm) },
            { label: 'Outer radius', value: length(apexToBigMm) },
          ]),
    ],
  }),
  sketch: ({ d1, d2 }) => (d1 === d2 ? 'A rectangle' : 'The cone unrolled'),
};

const ring: AskWords<{ sheetRadiusMm: number | null; girthMm: number; verdict: Fit['verdict']; meanStretch: number }> = {
  title: 'A ring round a cone',
  about: 'A ring round a cone is not straight for the tape: on the unrolled skin it is an arc, and the tape has to be stretched for it or it wanders.',
  keys: {
    d1: 'Diameter at one end',
    d2: 'Diameter at the other',
    length: 'Length along the axis',
    at: 'Ring lies from the first end',
    width: 'Width of the tape',
    stretch: 'Safe stretch',
    fold: 'Fold limit',
    body: 'Tape lies towards',
  },
  answer: ({ sheetRadiusMm, girthMm, verdict, meanStretch }, { length }) => ({
    ...VERDICTS[verdict],
    rows: [
      ...(verdict === 'stretch' ? [{ label: 'Stretch it by about', value: percent(meanStretch) }] : []),
      { label: 'Once round', value: length(girthMm) },
      { label: 'Its radius on the skin', value: sheetRadiusMm === null ? 'straight: a tube' : length(sheetRadiusMm) },
    ],
  }),
  sketch: () => 'The ring on the unrolled skin',
};

const level: AskWords<{ table: readonly { x: number; angleDeg: number | null; girthFromTopMm: number | null }[] }> = {
  title: 'A level line along a tube',
  about: 'Where a level line runs on a tube that rises: by angle and by girth from the top. Each row is so far along the tube.',
  keys: { diameter: 'Diameter', height: 'Level above the axis, at the start', pitch: 'Axis rises by', length: 'Length of the tube', step: 'A mark every' },
  answer: ({ table }, { length }) => {
    const met = table.filter(({ angleDeg }) => angleDeg !== null);
    const [headline, tone] =
      met.length === 0
        ? (['The level misses the tube', 'bad'] as const)
        : met.length < table.length
          ? (['The level leaves the tube on its way', 'caution'] as const)
          : (['The level meets the tube all along', 'good'] as const);
    return {
      headline,
      tone,
      rows: table.slice(0, 12).map(({ x, angleDeg, girthFromTopMm }) => ({
        label: `At ${length(x)}`,
        value: angleDeg === null || girthFromTopMm === null ? 'misses the tube' : `${angleDeg.toFixed(1)}° from the top, ${length(girthFromTopMm)} round`,
      })),
    };
  },
  sketch: () => 'The tube unrolled, its top in the middle, with the level on both sides',
};

const bands: AskWords<BandsAnswer> = {
  title: 'Space these bands evenly',
  about: 'Four of the five are known; write ? for the one to be found. Length = two margins, the bands, and the gaps between them.',
  keys: { length: 'Whole length', count: 'How many bands', width: 'Width of a band', gap: 'Gap', margin: 'Margin at each end' },
  answer: (answer, to) => ({
    headline: bandsInWords(answer, to),
    tone: 'good',
    rows: [
      { label: 'Whole length', value: to.length(answer.lengthMm) },
      { label: 'Width', value: to.length(answer.widthMm) },
      { label: 'Gap', value: to.length(answer.gapMm) },
      { label: 'Margin', value: to.length(answer.marginMm) },
    ],
  }),
  sketch: ({ count, lengthMm }, { length }) => `${count} bands over ${length(lengthMm)}`,
};

const scale: AskWords<{ modelMm: number; choices: readonly { tapes: readonly number[]; errorMm: number; errorShare: number }[] }> = {
  title: 'What is this at scale?',
  about: 'The size on the model, and which tapes on hand come nearest to it: one, or two side by side.',
  keys: { real: 'Size on the real thing', scale: 'Scale, 1 to', tapes: 'Widths of tape on hand' },
  answer: ({ modelMm, choices }, { fine, length }) => ({
    headline: `${fine(modelMm)} on the model`,
    tone: Math.abs(choices[0]!.errorShare) <= 0.1 ? 'good' : 'caution',
    rows: choices.slice(0, 4).map(({ tapes, errorMm, errorShare }, index) => ({
      label: index === 0 ? 'Nearest' : 'Or',
      value: `tape ${tapes.map(length).join(' + ')}: ${errorMm >= 0 ? '+' : '−'}${fine(Math.abs(errorMm))}, ${errorShare >= 0 ? '+' : '−'}${percent(Math.abs(errorShare))}`,
    })),
  }),
  sketch: ({ modelMm }, { fine }) => `${fine(modelMm)} wanted, and the nearest tapes below it`,
};

const stations: AskWords<{
  table: readonly { alongMm: number; aboveMm: number; extra: boolean }[];
  lengthMm: number;
  tightestRadiusMm: number | null;
}> = {
  title: 'Marks along a curve',
  about: 'A smooth curve through a few measured places, given as a table of heights to be marked, close enough that straight chords between marks do.',
  keys: { points: 'Places: along and above', step: 'A mark every', tolerance: 'Chords may stray' },
  answer: ({ table, lengthMm, tightestRadiusMm }, { length }) => ({
    headline: `${counted(table.length, 'mark')} on ${length(lengthMm)} of curve`,
    tone: 'good',
    rows: [
      { label: 'Tightest bend', value: tightestRadiusMm === null ? 'none: straight' : `radius ${length(tightestRadiusMm)}` },
      ...table.slice(0, 14).map(({ alongMm, aboveMm, extra }) => ({ label: `At ${length(alongMm)}${extra ? ', between' : ''}`, value: length(aboveMm) })),
    ],
  }),
  sketch: () => 'The curve with its marks',
};

const wrap: AskWords<{ lengthMm: number; overlapMm: number }> = {
  title: 'Once round a tube',
  about: 'Length to cut for a wrap that closes with an overlap. Thick material needs more: its outside is longer.',
  keys: { diameter: 'Diameter', thickness: 'Thickness', overlap: 'Overlap' },
  answer: ({ lengthMm, overlapMm }, { length, fine }) => ({
    headline: `Cut ${length(lengthMm)}`,
    tone: 'good',
    rows: [
      { label: 'Of it overlap', value: length(overlapMm) },
      { label: 'Exactly', value: fine(lengthMm) },
    ],
  }),
  sketch: () => 'The strip to cut, its overlap darker',
};

/** Questions about tape and where it lies. */
const HOLDS: Readonly<Record<Hold, string>> = { safe: 'It may lie there', test: 'Test pull first in a hidden place', no: 'It would take the paint with it' };

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
  about: 'By the kind of paint below, its age and how long the tape stays, at 23 °C. An estimate: a test pull in a hidden place has the last word.',
  keys: { tape: 'Tape', paint: 'Paint below', ageMinutes: 'Its age now', stays: 'The tape stays' },
  choices: (choice) => SYSTEM_NAMES[choice as PaintSystemKey] ?? choice,
  answer: ({ hold: level, deTack, safeFromMin, outstays, staysMin }, { minutes }) => ({
    headline: HOLDS[level],
    tone: level === 'safe' ? (outstays ? 'caution' : 'good') : level === 'test' ? 'caution' : 'bad',
    rows: [
      ...(deTack ? [{ label: 'Safe without a test', value: `stuck to clean cloth ${deTack === 1 ? 'once' : `${deTack} times`} first` }] : []),
      {
        label: 'Safe as it is (estimate)',
        value: safeFromMin === null ? 'never: take a gentler tape' : safeFromMin === 0 ? 'at any age that takes tape' : `from ${minutes(safeFromMin)} on`,
      },
      ...(outstays ? [{ label: 'Comes off clean', value: `no longer after ${minutes(staysMin)}: pull it sooner` }] : []),
    ],
  }),
};

const CLOSINGS: Readonly<Record<OpeningSaid['code'], string>> = {
  'opening.foam': 'Foam, rolled sticky side out and pushed in',
  'opening.foam-strip': 'Foam strip, laid in without stretching it',
  'opening.disc': 'A disc, cut with a circle cutter',
  'opening.pane': 'Tape over it, rub its rim, cut on a mat, put it back',
  'opening.film': 'Edge tape just inside, film, a second tape over its edge',
  'opening.back-mask': 'Tape inside the flange, sticky side out, cover stuck to it',
  'opening.box': 'Base tape just inside, lip tape, film, cap tape',
  'opening.sheet': 'Card cut to size, taped round',
  'opening.putty': 'Putty or damp tissue',
  'opening.sleeve': 'Small pieces round its foot, a sleeve over it',
  'opening.bag': 'A bag with a slit',
};

const opening: AskWords<{
  closing: OpeningSaid['code'];
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
  about: 'What stops a hole, a window, a gap or a jamb, and what to cut for it. Count what goes in, and what comes out.',
  keys: { use: 'It is a', diameter: 'Diameter', width: 'Width', height: 'Height', scale: 'Scale, 1 to' },
  ways: { round: 'Round', straight: 'With corners' },
  choices: (choice) => OPENING_NAMES[choice as OpeningUse] ?? choice,
  answer: (
    { closing, foamMm, lengthMm, discMm, into, widthMm, heightMm, tapeMm, baseMm, sideMm, topMm, capMm, pieces, pieceMm, slitMm },
    { length, metres },
  ) => ({
    headline: CLOSINGS[closing],
    tone: 'good',
    rows: [
      ...(foamMm === undefined ? [] : [{ label: 'Foam strip', value: length(foamMm) }]),
      ...(lengthMm === undefined ? [] : [{ label: 'Cut it', value: `${length(lengthMm)} long` }]),
      ...(discMm === undefined ? [] : [{ label: into ? 'Disc, into the recess' : 'Disc, over the rim', value: length(discMm) }]),
      ...(baseMm === undefined ? [] : [{ label: 'Base tape', value: metres(baseMm) }]),
      ...(sideMm === undefined || topMm === undefined ? [] : [{ label: 'Lip tape', value: `2 × ${length(sideMm)}, then 2 × ${length(topMm)}` }]),
      ...(capMm === undefined ? [] : [{ label: 'Cap tape', value: metres(capMm) }]),
      ...(pieces === undefined || pieceMm === undefined ? [] : [{ label: 'Pieces', value: `${pieces} of ${length(pieceMm)}` }]),
      ...(slitMm === undefined ? [] : [{ label: 'Slit', value: length(slitMm) }]),
      ...(widthMm === undefined || heightMm === undefined
        ? []
        : [
            {
              label: closing === 'opening.pane' ? 'Pane' : closing === 'opening.sheet' ? 'Card' : closing === 'opening.putty' ? 'To cover' : 'Film',
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
    ({ inside: 'inside the bend', outside: 'outside the bend', crisp: 'makes a line that stays', rough: 'is painted over later' })[choice] ??
    SYSTEM_NAMES[choice as PaintSystemKey] ??
    choice,
  answer: ({ tape, verdict, meanStretch, hold: level, deTack, doubts }, { share, say }) => ({
    headline: `Take ${tape}`,
    tone: doubts.length === 0 ? 'good' : verdict === 'too-tight' || verdict === 'impossible' || level === 'no' ? 'bad' : 'caution',
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
      ...(deTack > 0 ? [{ label: 'Before', value: `stick it to clean cloth ${deTack === 1 ? 'once' : `${deTack} times`}` }] : []),
      ...doubts.map((doubt) => ({ label: 'Mind', value: say(doubt) })),
    ],
  }),
};

const disc: AskWords<{ discMm: number; discCutterMm: number; ringInnerMm: number; ringOuterMm: number; innerCutterMm: number; outerCutterMm: number }> = {
  title: 'Disc and ring masks',
  about: 'A disc covers a round opening or dot, over its rim; a ring leaves the round open and covers what is beside it. The cutter is set to the radius.',
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

export const ASK_TAPE = { bend, which, hold, opening, disc, facets, dome, cone, ring, level, bands, scale, stations, wrap };
