import type { AcceptMessages, AskMessages, SketchMessages } from '@lintrel/core';
import type { WordsOf } from '../table';
import { bandsText } from './ask-tape';
import { SYSTEM_NAMES } from './names';

const withUnit = (most: number, unit: string): string => `${most}${unit && ` ${unit}`}`;

/** What a key accepts, after "accepts". */
export const ACCEPT_WORDS: WordsOf<AcceptMessages> = {
  'accepts.length': () => 'a length above 0 such as 120, 18mm, 4 3/4"',
  'accepts.length-from-zero': () => 'a length from 0 such as 0, 12, 3/8',
  'accepts.length-signed': () => 'a length of either sign such as 35 or -20',
  'accepts.lengths': () => 'lengths above 0 with commas between them such as 1, 2, 3',
  'accepts.places': () => 'places as along and above with commas between them such as 0 120, 600 180, 1200 150',
  'accepts.whole': ({ least, most }) => `a whole number from ${least} to ${most}`,
  'accepts.number': ({ least, most, unit }) => `a number from ${least} to ${withUnit(most, unit)}`,
  'accepts.share': ({ most }) => `a share from 0 to ${most} such as 0.15, or 15%`,
  'accepts.minutes': ({ least, most }) => `minutes, from ${least} to ${most}`,
  'accepts.temperature': () => 'a temperature such as 23 or 73 °F',
  'accepts.humidity': () => 'a humidity in percent such as 50',
  'accepts.choice': ({ choices }) => choices.join(' or '),
  'accepts.tape': () => 'the code of a tape on the shelf such as V6',
  'accepts.finish': () => 'the id of a finish on the shelf',
  'accepts.colour': () => 'a colour as six hexadecimal digits such as #f2c230',
  'accepts.ratio': () => 'parts with colons between them such as 4:1:1',
  'accepts.scale': () => 'a scale such as 72 or 1:72',
  'accepts.or-unknown': ({ of }, { say }) => `${say(of)}, or ? for the one to be found`,
};

/** What is wrong with the input of a question. */
export const ASK_FAULTS: WordsOf<AskMessages> = {
  'ask.no-question': ({ name, names }) => `there is no question "${name}"; there are ${names.join(', ')}`,
  'ask.body': ({ keys }) => `needs an object with ${keys.join(', ')}`,
  'ask.unknown-key': ({ question, keys }) => `is not known here; ${question} accepts ${keys.join(', ')}`,
  'ask.missing': ({ accepts, instead }, { say }) =>
    `is missing; accepts ${say(accepts)}${instead.map((keys) => `; or give ${keys}`).join('')}`,
  'ask.not-together': ({ keys }) => `cannot be given together with ${keys.join(', ')}`,
  'ask.accepts': ({ accepts }, { say }) => `accepts ${say(accepts)}`,
  'ask.not-understood': ({ why, accepts }, { say }) => `${say(why)} (accepts ${say(accepts)})`,
  'ask.or-unknown': ({ why }, { say }) => `${say(why)}; ? stands for the one to be found`,
  'ask.letters': ({ most }) => `must have at most ${most} characters`,
  'ask.between': ({ least, most, unit }) => `must lie between ${least} and ${withUnit(most, unit)}`,
  'ask.above-zero': ({ mostMm }, { length }) => `must be above 0 and at most ${length(mostMm)}`,
  'ask.not-whole': ({ value }) => `${value} is not whole`,
  'ask.not-choice': ({ text }) => `"${text}" is not one of them`,
  'ask.nothing-chosen': () => 'nothing is chosen',
  'ask.not-colour': ({ text }) => `"${text}" is not a colour`,
  'ask.not-ratio': ({ text }) => `"${text}" is not a mixing ratio`,
  'ask.not-scale': ({ text }) => `"${text}" is not a scale from 1 to 10000`,
  'ask.too-many': ({ most }) => `are more than ${most}`,
  'ask.must-be-above': () => 'must be above 0',
  'ask.places': ({ mostMm }, { length }) => `needs 2 to 200 places within ±${length(mostMm)}`,
  'ask.one-unknown': ({ names, found }) => `exactly one of ${names.join(', ')} must be ?; ${found} are`,
  'ask.bands': ({ why, nearest }, { say }) =>
    `${say(why)}${nearest.length > 0 ? `; the nearest: ${nearest.map(say).join('; ')}` : ''}`,
  'ask.bands-of': (bands, to) => bandsText(bands, to),
  'ask.no-tape-fits': () => 'no tape on the shelf can be laid there: every one has run out, or is too wide',
  'ask.no-tape': ({ code, codes }) => `there is no tape "${code}" on the shelf; accepts ${codes.join(', ')}`,
  'ask.no-finish': ({ id, ids }) => `there is no finish "${id}" on the shelf; accepts ${ids.join(', ')}`,
  'ask.no-diameter': () => 'one end must have a diameter',
  'ask.slack': () => 'must be less than the diameter of the bend',
  'ask.too-many-rows': ({ most }) => `gives more than ${most} rows: take a longer step`,
  'ask.no-solids': () => 'must be above 0: a paint without solids leaves no film',
  'ask.no-transfer': () => 'must be above 0: none of the paint would land on the part',
  'ask.beyond-end': ({ mostMm }, { length }) => `lies beyond the end: at most ${length(mostMm)}`,
  'ask.at-tip': () => 'lies at the tip, where there is no ring',
  'ask.same-places': () => 'two neighbouring places are the same',
};

/** Texts in the drawing of an answer. */
export const SKETCH_WORDS: WordsOf<SketchMessages> = {
  'sketch.system': ({ system }) => SYSTEM_NAMES[system],
  'sketch.radius': ({ radiusMm }, { length }) => `radius ${length(radiusMm)}`,
  'sketch.number': ({ number }) => String(number),
  'sketch.volume': ({ ml }, { volume }) => volume(ml),
  'sketch.coats': ({ letters, coats }) => `${letters.join(' ')}: ${coats} coats`,
};
