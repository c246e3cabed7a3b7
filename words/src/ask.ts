import type { SentenceTools } from './table';

/** An answer of the Bench in words. */
export interface AnswerWords {
  readonly headline: string;
  readonly tone: 'good' | 'caution' | 'bad';
  readonly rows: readonly { readonly label: string; readonly value: string }[];
}

/** All texts of one question. */
export interface AskWords<Answer> {
  readonly title: string;
  /** What it is good for, in one sentence. */
  readonly about: string;
  /** What the form calls each key, and each way to give some of them. */
  readonly keys: Readonly<Record<string, string>>;
  readonly ways?: Readonly<Record<string, string>>;
  /** Labels of choices; left out: the choices themselves. */
  readonly choices?: (choice: string) => string;
  readonly answer: (answer: Answer, to: SentenceTools) => AnswerWords;
  /** What the drawing of an answer shows, for those who cannot see it. */
  readonly sketch?: (answer: Answer, to: SentenceTools) => string;
}
