import { type Answer, ask, type Checked, exampleInput, type Question, type Shelf, type Way } from '@lintrel/core';
import { useState } from 'react';

/** A question being asked: what is typed, and what it answers right now. */
export interface QuestionState {
  readonly input: Readonly<Record<string, string>>;
  readonly way: Way | undefined;
  readonly answer: Checked<Answer>;
  readonly set: (key: string, value: string) => void;
  readonly choose: (way: Way) => void;
}

/** Opens a question already answered for its example. */
export function useQuestion(question: Question, shelf: Shelf): QuestionState {
  const [way, setWay] = useState(question.ways[0] as Way | undefined);
  const [input, setInput] = useState(() => exampleInput(question));
  return {
    input,
    way,
    answer: ask(question.name, input, shelf),
    set: (key, value) => setInput((now) => ({ ...now, [key]: value })),
    choose: (next) => {
      setWay(next);
      // What both ways share stays as typed.
      setInput((now) =>
        Object.fromEntries(
          Object.entries(exampleInput(question, next)).map(([key, example]) => [key, now[key] ?? example]),
        ),
      );
    },
  };
}
