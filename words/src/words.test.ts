import {
  ask,
  EVENT_KINDS,
  exampleInput,
  faultText,
  type Message,
  parseFaultText,
  QUESTIONS,
  RULE_CODES,
  SAFETY_CODES,
} from '@lintrel/core';
import { DEFAULT_PERSON, formatterFor, LANGUAGES, type Person, wordsFor } from '.';
import { pseudo } from './pseudo';
import { SAMPLES } from './testing/samples';

const INCHES: Person = { length: 'in', temperature: 'F', language: 'en' };
const samples = Object.entries(SAMPLES).map(([code, values]) => ({ code, values: values as Message['values'] }));

/** A text that shows what was not put into words. */
const RAW =
  /undefined|NaN|null|\[object|\b(?:field|line|step|advice|over|doubt|technique|skipped|accepts|ask|bands|paper|reason)\.[a-z-]+/;
const METRIC = /\d (?:mm|m|m²|ml|°C)(?![\w/])/;
const IMPERIAL = /(?<!["A-Z])\d(?: (?:in|ft|ft²|in²|fl oz|°F)(?![\w/])|")/;
/** What a length or a temperature may look like is shown in both; bounds are told in the unit of their field. */
const SHOWS_BOTH = /^(?:typed|accepts|field)\.|^ask\.(?:between|missing|accepts|not-understood)/;

describe('every code', () => {
  it.each(samples)('$code is told in words, in the units of the person', (one) => {
    const metric = wordsFor().say(one);
    const imperial = wordsFor(INCHES).say(one);
    expect(metric).not.toMatch(RAW);
    expect(imperial).not.toMatch(RAW);
    expect(metric.length).toBeGreaterThan(0);
    if (SHOWS_BOTH.test(one.code)) return;
    expect(metric).not.toMatch(IMPERIAL);
    expect(imperial).not.toMatch(METRIC);
  });
  it.each(samples.filter(({ code }) => code.startsWith('step.')))('$code tells how it is done', (one) => {
    const detail = wordsFor().detail(one);
    expect(detail).not.toMatch(RAW);
    // What a wait for the pull waits for stands beside it, as its time.
    if (one.code !== 'step.wait-pull') expect(detail.length).toBeGreaterThan(5);
    expect(wordsFor(INCHES).detail(one)).not.toMatch(METRIC);
  });
  it.each(samples.filter(({ code }) => code.startsWith('technique.')))('$code says why', (one) =>
    expect(wordsFor().why(one)).not.toMatch(RAW),
  );
  it('that belongs to a time, an entry or a caution has words of its own', () => {
    const { time, caution, entry, follow } = wordsFor();
    for (const kind of EVENT_KINDS) expect(entry(kind)).toMatch(/^[A-Z]/);
    expect(entry('sanded')).toBe('sanded');
    for (const code of RULE_CODES) if (code !== 'order') expect(time(code)).toMatch(/ |flash|window/);
    for (const code of SAFETY_CODES) expect(caution(code)).toMatch(/^[A-Z].{30,}\.$/);
    expect(follow).toMatch(/safety data sheet, local rules and licensed practice/);
  });
  it('of a newer version is told as it stands, with its values', () =>
    expect(wordsFor().say({ code: 'step.polish', values: { area: 'bow', passes: 3 } })).toBe(
      'step.polish · area bow · passes 3',
    ));
});

describe('figures', () => {
  const metric = formatterFor(DEFAULT_PERSON);
  const imperial = formatterFor(INCHES);
  it.each([
    ['a length', metric.length(19), imperial.length(19.05), /^19(\.0)? mm$/, /^3\/4"$/],
    ['a long length', metric.metres(12_340), imperial.metres(3048), /^12\.34 m$/, /^10\.0 ft$/],
    ['a volume', metric.volume(250), imperial.volume(295.735295625), /^250 ml$/, /^10 fl oz$/],
    ['a temperature', metric.temperature(20), imperial.temperature(20), /^20 °C$/, /^68 °F$/],
    ['a little cold', metric.temperature(-0.04, 1), imperial.temperature(-17.8, 0), /^0 °C$/, /^0 °F$/],
    ['a difference of temperatures', metric.degrees(3), imperial.degrees(3, 1), /^3 °C$/, /^5\.4 °F$/],
  ])('%s', (_, inMetric, inImperial, pattern, other) => {
    expect(inMetric).toMatch(pattern);
    expect(inImperial).toMatch(other);
  });
});

describe('the Bench', () => {
  it.each(QUESTIONS.map(({ name }) => name))(
    '%s has words for its form and its answer, in both kinds of units',
    (name) => {
      const question = QUESTIONS.find((other) => other.name === name);
      if (!question) throw new Error(name);
      const found = ask(name, exampleInput(question));
      if (!found.ok) throw new Error(JSON.stringify(found));
      for (const person of [DEFAULT_PERSON, INCHES]) {
        const words = wordsFor(person).question(name);
        const { headline, rows } = words.answer(found.value);
        expect(words.title).not.toBe(name);
        expect(words.about.length).toBeGreaterThan(10);
        for (const key of Object.keys(question.keys)) expect(words.key(key)).not.toBe(key);
        expect(rows.length).toBeGreaterThan(0);
        for (const text of [words.title, words.about, headline, ...rows.flatMap(({ label, value }) => [label, value])])
          expect(text).not.toMatch(RAW);
        if (person === INCHES) expect([headline, ...rows.map(({ value }) => value)].join(' | ')).not.toMatch(METRIC);
      }
    },
  );
});

describe('a second language', () => {
  const words = wordsFor({ ...DEFAULT_PERSON, language: 'pseudo' });
  it('is in the list', () => expect(LANGUAGES).toContain('pseudo'));
  it('turns whatever is told', () => {
    for (const sample of samples) expect(words.say(sample)).toBe(pseudo(wordsFor().say(sample)));
    expect(words.text('Save')).toBe(pseudo('Save'));
    expect(words.question('bend').title).toMatch(/^\[.*\]$/);
    expect(words.caution('spray')).toMatch(/^\[.*\]$/);
  });
  it('is a third longer, keeps figures, and leaves nothing of nothing', () => {
    expect(pseudo('Wait 12 min')).toBe('[Ŵáíţ 12 míñ····]');
    expect(pseudo(' ')).toBe(' ');
  });
});

describe('what is written into a schema', () => {
  it.each(samples.filter(({ code }) => /^[a-z]+\.[a-z-]+$/.test(code)))('$code is heard as it was told', (one) =>
    expect(parseFaultText(faultText(one))).toEqual(one),
  );
  it('a message of another kind is told as it is', () =>
    expect(parseFaultText('Invalid length')).toEqual({ code: 'field.other', values: { message: 'Invalid length' } }));
});

it('a field left empty is told as missing, not as a text of nothing', () => {
  for (const code of ['typed.temperature', 'typed.humidity'])
    expect([wordsFor().say({ code, values: { text: '' } }), wordsFor().say({ code, values: { text: 'wet' } })]).toEqual(
      [expect.stringMatching(/^a \w+ is missing: write it/), expect.stringMatching(/^"wet" is not a \w+: write it/)],
    );
});
