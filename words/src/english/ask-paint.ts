import type {
  BatchCycleStep,
  CompatibilityAnswer,
  CompatibilityMessage,
  Message,
  PaintSystemKey,
  PullWindows,
} from '@lintrel/core';
import { RULE_OF_THUMB } from '@lintrel/core/front';
import type { AskWords } from '../ask';
import type { Formatter } from '../formatter';
import { countText } from '../table';
import { SYSTEM_NAMES } from './names';

type Span = PullWindows['wet'];
const spanned = (span: Span, { minutes }: Formatter): string =>
  span ? `${minutes(span.from)} to ${span.to === null ? 'any time' : minutes(span.to)}` : 'not for this film';

const windows: AskWords<PullWindows> = {
  title: 'When do I pull the tape?',
  about:
    'Counted from the last coat, in the air of today. Three schools: while it is wet, when it is touch-dry, when it is dry.',
  keys: {
    finish: 'Finish',
    air: 'Air',
    rh: 'Humidity',
    move: 'Air moves',
    flash: 'Flash',
    touch: 'Touch-dry',
    tapeSafe: 'Takes tape',
    through: 'Dry through',
    wetLimit: 'Edge flows until',
    activation: 'Activation energy',
    water: 'Waterborne',
    buildFactor: 'Thickness factor',
    dwell: 'Tape lasts',
  },
  ways: { shelf: 'A finish on the shelf', sheet: 'Times of its data sheet' },
  answer: ({ rate, wet, touch, dry, tapeSafeMin }, to) => ({
    headline: touch
      ? `Touch-dry: pull from ${to.minutes(touch.from)}`
      : dry
        ? `Dry: pull from ${to.minutes(dry.from)}`
        : `Wet only: pull within ${to.minutes(wet?.to ?? 0)}`,
    tone: 'good',
    rows: [
      { label: 'Wet (estimate)', value: spanned(wet, to) },
      { label: 'Touch-dry (estimate)', value: spanned(touch, to) },
      { label: 'Dry (estimate)', value: spanned(dry, to) },
      { label: 'Takes tape after', value: tapeSafeMin === null ? 'never' : to.minutes(tapeSafeMin) },
      { label: 'Drying speed against the data sheet', value: `× ${rate.toFixed(2)}` },
    ],
  }),
};

const strengthKeys = {
  hiding: 'Film that hides black and white',
  coat: 'One coat, dry',
  tolerance: 'Hidden below a difference of',
};

const hide: AskWords<{
  coats: number | null;
  deltaE: number;
  scatterPerUm: number;
  coatUm: number;
  paint: string;
  under: string;
}> = {
  title: 'How many coats hide this colour?',
  about:
    'The film that hides a black-and-white card says how strong the paint is; over a colour near its own it needs less.',
  keys: { paint: 'Paint', under: 'Over', ...strengthKeys },
  answer: ({ coats, deltaE, scatterPerUm, coatUm }) => ({
    headline:
      coats === null
        ? `More than ${RULE_OF_THUMB.mostCoats} coats: put another colour under it`
        : countText(coats, 'coat'),
    tone: coats === null ? 'bad' : coats >= RULE_OF_THUMB.manyCoats ? 'caution' : 'good',
    rows: [
      { label: 'Dry film of them (estimate)', value: `${((coats ?? RULE_OF_THUMB.mostCoats) * coatUm).toFixed(0)} µm` },
      { label: 'Colour difference left', value: `ΔE ${deltaE.toFixed(2)}` },
      { label: 'Strength of the paint (scattering)', value: `${scatterPerUm.toFixed(5)} per µm` },
    ],
  }),
  sketch: ({ paint, under }) => `${paint} over ${under}, one coat after the other`,
};

const HEADLINES: Readonly<Record<CompatibilityAnswer, string>> = {
  yes: 'Yes, it may go on',
  wait: 'Wait',
  abrade: 'Abrade first',
  barrier: 'Barrier coat first',
  no: 'No, not over that',
};

const over: AskWords<{
  answer: CompatibilityAnswer;
  reason: CompatibilityMessage;
  untilMinutes?: number;
  ageMinutes: number;
  lower: PaintSystemKey;
  upper: PaintSystemKey;
  windows: readonly { from: number; to: number | null }[];
}> = {
  title: 'May this go over that, now?',
  about:
    'By the two kinds of paint and the age of the lower one, at 23 °C and 50 % humidity. The data sheets have the last word.',
  keys: { lower: 'Below', upper: 'Goes on', ageMinutes: 'Age of the lower one', build: 'Film of the lower one, dry' },
  choices: (choice) => SYSTEM_NAMES[choice as PaintSystemKey] ?? choice,
  answer: ({ answer, reason, untilMinutes, windows: spans, ageMinutes }, { minutes, say }) => ({
    headline:
      answer === 'wait' && untilMinutes !== undefined
        ? `Wait ${minutes(untilMinutes - ageMinutes)} more`
        : HEADLINES[answer],
    tone: answer === 'yes' ? 'good' : answer === 'no' ? 'bad' : 'caution',
    rows: [
      { label: 'Because', value: say(reason) },
      ...(untilMinutes === undefined
        ? []
        : [{ label: 'Asked again when the lower one is', value: `${minutes(untilMinutes)} old` }]),
      ...spans.map(({ from, to }, index) => ({
        label: index === 0 ? 'May be coated as it is' : 'and again',
        value: `${minutes(from)} to ${to === null ? 'any age' : minutes(to)}`,
      })),
    ],
  }),
  sketch: ({ lower, upper }) => `${SYSTEM_NAMES[upper]} over ${SYSTEM_NAMES[lower]}`,
};

const mix: AskWords<{ ml: number; parts: readonly number[] }> = {
  title: 'How much paint do I mix?',
  about:
    'From the area and the dry film: what dries away and what misses the part is added. What stays in the cup comes on top.',
  keys: {
    area: 'Area',
    film: 'One coat, dry',
    coats: 'Coats',
    solids: 'Solids by volume',
    transfer: 'Lands on the part',
    ratio: 'Mixing ratio',
  },
  answer: ({ ml, parts }, { volume }) => ({
    headline: `${volume(ml)} as sprayed (estimate)`,
    tone: 'good',
    rows:
      parts.length > 1
        ? parts.map((part, index) => ({
            label:
              index === 0
                ? 'Paint'
                : parts.length === 2
                  ? 'Second part'
                  : index === 1
                    ? 'Hardener or second part'
                    : 'Thinner or third part',
            value: volume(part),
          }))
        : [{ label: 'Paint', value: volume(ml) }],
  }),
  sketch: () => 'The cup, filled part by part',
};

const order: AskWords<{ orders: readonly { letters: readonly string[]; coats: readonly number[]; all: number }[] }> = {
  title: 'Which order for these three colours?',
  about:
    'Each is sprayed wider than it will stay and goes over the one before it; the order with the fewest coats is told first.',
  keys: { first: 'Colour A', second: 'Colour B', third: 'Colour C', under: 'What is there now', ...strengthKeys },
  answer: ({ orders }) => ({
    headline: `${orders[0]!.letters.join(', then ')}: ${orders[0]!.all} coats`,
    tone: orders[0]!.all < orders[orders.length - 1]!.all ? 'good' : 'caution',
    rows: orders.map(({ letters, coats, all }, index) => ({
      label: `${index + 1}. ${letters.join(', then ')}`,
      value: `${coats.join(' + ')} = ${all} coats`,
    })),
  }),
  sketch: () => 'The three best orders as layers, each from the ground up',
};

const dew: AskWords<{ dewPointC: number; marginC?: number; ok?: boolean }> = {
  title: 'Is it too damp to paint?',
  about: 'A surface near the dew point of the air gets wet: tape lets go and paint blushes.',
  keys: { air: 'Air', rh: 'Humidity', surface: 'Surface of the part' },
  answer: ({ dewPointC, marginC, ok }, { temperature, degrees }) => ({
    headline:
      ok === undefined ? `Dew point ${temperature(dewPointC, 1)}` : ok ? 'Dry enough' : 'Too near the dew point',
    tone: ok === false ? 'bad' : 'good',
    rows: [
      { label: 'Dew point', value: temperature(dewPointC, 1) },
      ...(marginC === undefined
        ? []
        : [{ label: `Surface above it (needs ${degrees(RULE_OF_THUMB.dewMarginC)})`, value: degrees(marginC, 1) }]),
    ],
  }),
};

const batch: AskWords<{
  feasible: boolean;
  paintAhead: number;
  totalMinutes: number | null;
  proven?: boolean;
  reason?: Message;
  rhythm: readonly BatchCycleStep[];
}> = {
  title: 'How many may I paint before I pull?',
  about:
    'One person paints strips and pulls their tape, in the same order, one thing at a time. Every pull begins and ends in its window.',
  keys: {
    paint: 'Painting one strip',
    pull: 'Pulling one strip',
    from: 'Pull no sooner than, after its painting',
    to: 'Pulled no later than, after its painting',
    strips: 'Strips',
  },
  answer: ({ feasible, paintAhead, totalMinutes, proven, reason, rhythm }, { minutes, say }) => {
    if (!feasible || totalMinutes === null)
      return {
        headline: 'It cannot be done by one person',
        tone: 'bad',
        rows: reason ? [{ label: 'Because', value: say(reason) }] : [],
      };
    const rest = rhythm.length > MOST_HEAPS ? ', and so on' : '';
    const turns = rhythm.slice(0, MOST_HEAPS).map(({ turn, strips }) => `${turn} ${strips}`);
    return {
      headline: `Paint ${paintAhead} at most, then pull`,
      tone: 'good',
      rows: [
        {
          label: proven ? 'Least time for all (estimate)' : 'Time for all (estimate; a shorter way may exist)',
          value: minutes(totalMinutes),
        },
        { label: 'That goes', value: `${turns.join(', ')}${rest}` },
      ],
    };
  },
  sketch: () => 'Painting above, pulling below, as time goes on',
};

/** Maximum number of batches listed one by one. */
const MOST_HEAPS = 8;

/** Questions about paint and air. */
export const ASK_PAINT = { windows, batch, hide, over, mix, order, dew };
