import fc from 'fast-check';
import { DEFAULT_PERSON, wordsFor } from '.';
import { ENGLISH } from './english';
import { countPhrase, listedPhrase, phrase, phrases, translated, withoutMarks } from './phrase';

/** A language with its verbs at the end: one more book, with sentences looked up by the English they stand for. */
const SENTENCES: Readonly<Record<string, string>> = {
  'Stage {0}: pull after {1}': 'Nach {1} abziehen, Stufe {0}',
  '{0} coats': '{0} Gänge',
  'Done with {0}': 'Fertig mit {0}',
  '{0} and {1}': '{0} und {1}',
  Wet: 'Nass',
};
const other = wordsFor(DEFAULT_PERSON, {
  en: { ...ENGLISH, sentence: (english) => SENTENCES[english] ?? english },
  pseudo: ENGLISH,
});

describe('a text with values', () => {
  it('reads in English as it is written', () =>
    expect(wordsFor().text(phrase`Stage ${3}: pull after ${'Cream'}`)).toBe('Stage 3: pull after Cream'));
  it('is looked up without them, and they go where the language puts them', () =>
    expect(other.text(phrase`Stage ${3}: pull after ${'Cream'}`)).toBe('Nach Cream abziehen, Stufe 3'));
  it('may stand in another one', () => {
    expect(other.text(phrase`Done with ${countPhrase(2, 'coat')}`)).toBe('Fertig mit 2 Gänge');
    expect(other.text(phrase`${'Wet'} · ${countPhrase(2, 'coat')}`)).toBe('Nass · 2 Gänge');
    expect(other.text(phrases([phrase`Done with ${'Wet'}`, 'Wet'], '; '))).toBe('Fertig mit Nass; Nass');
    expect(other.text(listedPhrase(['Wet', 'A1']))).toBe('Nass und A1');
    expect(other.text(listedPhrase(['Wet', 'A1', 'A2']))).toBe('Nass, A1 und A2');
  });
  it('is told in English where the language has no sentence for it', () =>
    expect(other.text(phrase`Mix ${'Wet'}`)).toBe('Mix Nass'));
  it('takes a name as it is typed, braces and all', () => {
    expect(other.text(phrase`Done with ${'{0} {1}'}`)).toBe('Fertig mit {0} {1}');
    expect(withoutMarks(phrase`Done with ${undefined}.`)).toBe('Done with .');
  });
  it('counts one as one', () => {
    expect(withoutMarks(countPhrase(1, 'entry', 'entries'))).toBe('1 entry');
    expect(withoutMarks(countPhrase(0, 'entry', 'entries'))).toBe('0 entries');
  });
  it('comes out as it went in, however deep', () => {
    const deep = fc.letrec<{ text: { marked: string; plain: string } }>((tie) => ({
      text: fc.oneof(
        { maxDepth: 4 },
        fc.string().map((plain) => ({ marked: plain, plain })),
        fc.tuple(tie('text'), tie('text')).map(([a, b]) => ({
          marked: phrase`of ${a.marked}, then ${b.marked}.`,
          plain: `of ${a.plain}, then ${b.plain}.`,
        })),
      ),
    })).text;
    fc.assert(
      fc.property(
        deep,
        ({ marked, plain }) => translated(marked, (sentence) => sentence) === plain && withoutMarks(marked) === plain,
      ),
    );
  });
});

describe('the language nobody speaks', () => {
  const pseudo = wordsFor({ ...DEFAULT_PERSON, language: 'pseudo' });
  it('turns sentence and values, each as its own', () =>
    expect(pseudo.text(phrase`Wait for ${'Cream'}`)).toMatch(/^\[Ŵáíţ föŕ \[Çŕéám·+\]·+\]$/));
  it('shows a sentence that was put together too early', () =>
    expect(pseudo.text('Stage 3: pull after Cream')).toBe('⟦Stage 3: pull after Cream⟧'));
});
