import type { Fit } from '@lintrel/core';
import type { AnswerWords, AskWords } from '../ask';
import type { Formatter } from '../formatter';
import { countText } from '../table';
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
export const bandsText = (
  { count, widthMm, gapMm, marginMm }: Omit<BandsAnswer, 'lengthMm'>,
  { length }: Formatter,
): string => `${count} of ${length(widthMm)} with gaps of ${length(gapMm)} and margins of ${length(marginMm)}`;

const bend: AskWords<{
  verdict: Fit['verdict'];
  innerRadiusMm: number;
  meanStretch: number | null;
  outerStrain: number | null;
  tightestEdgeRadiusMm: number | null;
}> = {
  title: 'Will this tape make this bend?',
  about:
    'The radius is measured to the edge that makes the line. Inside: the tape lies towards the centre of the bend.',
  keys: {
    radius: 'Radius of the line',
    body: 'Tape lies',
    tape: 'Tape',
    width: 'Width',
    stretch: 'Safe stretch',
    fold: 'Fold limit',
  },
  ways: { shelf: 'A tape on the shelf', figures: 'Its figures' },
  answer: ({ verdict, innerRadiusMm, meanStretch, outerStrain, tightestEdgeRadiusMm }, { length }) => ({
    ...VERDICTS[verdict],
    rows: [
      ...(verdict === 'stretch' ? [{ label: 'Stretch it by about', value: percent(meanStretch ?? 0) }] : []),
      {
        label: 'Tightest line it follows',
        value:
          tightestEdgeRadiusMm === null
            ? 'none: it neither stretches nor folds'
            : `radius ${length(tightestEdgeRadiusMm)}`,
      },
      { label: 'Radius of its inner edge', value: innerRadiusMm > 0 ? length(innerRadiusMm) : 'none left' },
      ...(outerStrain === null
        ? []
        : [{ label: 'Strain of its outer edge', value: percent(Math.max(0, outerStrain)) }]),
    ],
  }),
};

const facets: AskWords<{ facetLengthMm: number; pieces: number; evenLengthMm: number }> = {
  title: 'Straight pieces behind a bend',
  about:
    'Backing tape does not bend: lay it in straight pieces. The slack is how far a piece may stray from the curve.',
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

const cone: AskWords<{
  d1: number;
  d2: number;
  slantMm: number;
  apexToSmallMm: number | null;
  apexToBigMm: number | null;
  sectorDeg: number;
}> = {
  title: 'Wrap a cone',
  about:
    'What a cone looks like unrolled: a piece of a ring. A cone with both ends the same is a tube, which unrolls to a rectangle.',
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

const ring: AskWords<{ sheetRadiusMm: number | null; girthMm: number; verdict: Fit['verdict']; meanStretch: number }> =
  {
    title: 'A ring round a cone',
    about:
      'A ring round a cone is not straight for the tape: on the unrolled skin it is an arc, and the tape has to be stretched for it or it wanders.',
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
  about:
    'Where a level line runs on a tube that rises: by angle and by girth from the top. Each row is so far along the tube.',
  keys: {
    diameter: 'Diameter',
    height: 'Level above the axis, at the start',
    pitch: 'Axis rises by',
    length: 'Length of the tube',
    step: 'A mark every',
  },
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
        value:
          angleDeg === null || girthFromTopMm === null
            ? 'misses the tube'
            : `${angleDeg.toFixed(1)}° from the top, ${length(girthFromTopMm)} round`,
      })),
    };
  },
  sketch: () => 'The tube unrolled, its top in the middle, with the level on both sides',
};

const bands: AskWords<BandsAnswer> = {
  title: 'Space these bands evenly',
  about:
    'Four of the five are known; write ? for the one to be found. Length = two margins, the bands, and the gaps between them.',
  keys: {
    length: 'Whole length',
    count: 'How many bands',
    width: 'Width of a band',
    gap: 'Gap',
    margin: 'Margin at each end',
  },
  answer: (answer, to) => ({
    headline: bandsText(answer, to),
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

const scale: AskWords<{
  modelMm: number;
  choices: readonly { tapes: readonly number[]; errorMm: number; errorShare: number }[];
}> = {
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
  about:
    'A smooth curve through a few measured places, given as a table of heights to be marked, close enough that straight chords between marks do.',
  keys: { points: 'Places: along and above', step: 'A mark every', tolerance: 'Chords may stray' },
  answer: ({ table, lengthMm, tightestRadiusMm }, { length }) => ({
    headline: `${countText(table.length, 'mark')} on ${length(lengthMm)} of curve`,
    tone: 'good',
    rows: [
      {
        label: 'Tightest bend',
        value: tightestRadiusMm === null ? 'none: straight' : `radius ${length(tightestRadiusMm)}`,
      },
      ...table.slice(0, 14).map(({ alongMm, aboveMm, extra }) => ({
        label: `At ${length(alongMm)}${extra ? ', between' : ''}`,
        value: length(aboveMm),
      })),
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

/** Questions about lines, bends and lengths. */
export const ASK_TAPE = { bend, facets, dome, cone, ring, level, bands, scale, stations, wrap };
