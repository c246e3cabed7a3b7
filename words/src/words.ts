import type { Answer, Message, SeenSide, StationTable } from '@lintrel/core';
import { remedyOf } from '@lintrel/core/front';
import type { AnswerWords, AskWords } from './ask';
import { ENGLISH, type LanguageBook } from './english';
import type { StationWords } from './english/files';
import { DEFAULT_PERSON, type Formatter, formatterFor, type Language, type Person } from './formatter';
import { translated } from './phrase';
import { PSEUDO } from './pseudo';

/** The words and units of one person. */
export interface Words extends Formatter {
  readonly person: Person;
  /** Renders a message. An unknown code, from a newer version, is shown as it is, with its values. */
  readonly say: (said: Message) => string;
  /** Details of a step; `say` gives its title. */
  readonly detail: (step: Message) => string;
  /** Why a run is laid so. */
  readonly why: (technique: Message) => string;
  /** Where a tape lies, seen from its line. */
  readonly side: (side: SeenSide | 'along') => string;
  /** What a time is for, by the code of its rule. */
  readonly time: (code: string) => string;
  /** What helps once a time has passed, by the code of its rule. */
  readonly late: (code: string) => string;
  /** What an entry of the log is called, by its kind. */
  readonly entry: (kind: string) => string;
  /** A usual caution, by its code. */
  readonly caution: (code: string) => string;
  /** What every caution defers to: stands once under them. */
  readonly follow: string;
  /** Words of a question of the Bench. */
  readonly question: (name: string) => QuestionWords;
  /** A station table in words, line by line. */
  readonly stations: (table: StationTable) => StationWords;
  /** Any other text of the interface, plain or a phrase with values in it: languages turn it into their own. */
  readonly text: (english: string) => string;
}

/** Words for one question, its form and its answers. */
export interface QuestionWords {
  readonly title: string;
  readonly about: string;
  readonly key: (name: string) => string;
  readonly way: (name: string) => string;
  readonly choice: (choice: string) => string;
  readonly answer: (answer: Answer) => AnswerWords;
  readonly sketch: (answer: Answer) => string;
}

type Told = (values: Readonly<Record<string, unknown>>, to: unknown) => string;

/** The languages there are. */
const BOOKS: Readonly<Record<Language, LanguageBook>> = { en: ENGLISH, pseudo: PSEUDO };

/**
 * The words for a person.
 * @param books The languages there are, by name.
 */
export function wordsFor(
  person: Person = DEFAULT_PERSON,
  books: Readonly<Record<string, LanguageBook>> = BOOKS,
): Words {
  const tongue = formatterFor(person);
  const book = books[person.language]!;
  const finished = book.told;
  const plain = (table: object, code: string, values: Readonly<Record<string, unknown>>): string => {
    const sentenceOf = (table as Readonly<Record<string, Told | undefined>>)[code];
    return sentenceOf ? sentenceOf(values, speech) : unknown(code, values);
  };
  const speech = { ...tongue, say: ({ code, values }: Message) => plain(book.says, code, values) };
  const question = (name: string): QuestionWords => {
    const askWords = book.questions[name] as AskWords<Answer> | undefined;
    return {
      title: finished(askWords?.title ?? name),
      about: finished(askWords?.about ?? ''),
      key: (key) => finished(askWords?.keys[key] ?? key),
      way: (way) => finished(askWords?.ways?.[way] ?? way),
      choice: (choice) => finished(askWords?.choices?.(choice) ?? choice),
      answer: (answer) => {
        const { headline, tone, rows } = askWords
          ? askWords.answer(answer, speech)
          : { headline: name, tone: 'good' as const, rows: [] };
        return {
          headline: finished(headline),
          tone,
          rows: rows.map(({ label, value }) => ({ label: finished(label), value: finished(value) })),
        };
      },
      sketch: (answer) => finished(askWords?.sketch?.(answer, speech) ?? ''),
    };
  };
  const from = (table: Readonly<Record<string, string>>, code: string) => finished(table[code] ?? code);
  return {
    ...tongue,
    person,
    say: ({ code, values }) => finished(plain(book.says, code, values)),
    detail: ({ code, values }) => finished(plain(book.details, code, values)),
    why: ({ code }) => from(book.reasons, code),
    side: (side) => from(book.sides, side),
    time: (code) => from(book.times, code),
    late: (code) => from(book.late, remedyOf(code)),
    entry: (kind) => from(book.entries, kind),
    caution: (code) => from(book.cautions, code),
    follow: finished(book.follow),
    question,
    stations: (table) => {
      const { title, note, columns, rows } = book.stations(table, speech);
      return { title: finished(title), note: finished(note), columns: columns.map(finished), rows };
    },
    text: (shown) => translated(shown, book.sentence),
  };
}

const unknown = (code: string, values: Readonly<Record<string, unknown>>): string =>
  [code, ...Object.entries(values).map(([name, value]) => `${name} ${String(value)}`)].join(' · ');
