import { type Checked, type Shelf, SHIPPED_SHELF } from '../job';
import { roundNumbers } from '../kit';
import { bands } from './bands';
import { batch } from './batch';
import { bend } from './bend';
import { cone } from './cone';
import { dew } from './dew';
import { disc } from './disc';
import { dome } from './dome';
import { facets } from './facets';
import { hide } from './hide';
import { hold } from './hold';
import { level } from './level';
import { mix } from './mix';
import { opening } from './opening';
import { order } from './order';
import { over } from './over';
import { type Answer, askQuestion, type Question, refuseAt } from './question';
import { ring } from './ring';
import { scale } from './scale';
import { stations } from './stations';
import { which } from './which';
import { windows } from './windows';
import { wrap } from './wrap';

export * from './messages';
export { exampleInput, type Answer, type Question, type Sketch, type SketchStroke, type Way } from './question';
export type { Key } from './key';

/** The questions of the Bench, in the order they are shown. */
export const QUESTIONS: readonly Question[] = [
  bend,
  which,
  hold,
  windows,
  batch,
  hide,
  over,
  mix,
  order,
  opening,
  disc,
  bands,
  scale,
  stations,
  ring,
  cone,
  level,
  wrap,
  dew,
  facets,
  dome,
];

/** The question with this name; undefined where there is none. */
export const questionNamed = (name: string): Question | undefined =>
  QUESTIONS.find((question) => question.name === name);

/** Decimals kept in answers: enough for a micrometre in a metre, without the last bits in which machines differ. */
const ANSWER_DECIMALS = 9;

/**
 * Asks a question by name: the one way in for screen, HTTP and command line.
 * @param input keys with text or numbers
 * @param shelf what `tape=` and `finish=` are looked up on
 */
export function ask(name: string, input: unknown, shelf: Shelf = SHIPPED_SHELF): Checked<Answer> {
  const question = questionNamed(name);
  if (!question)
    return refuseAt('question', { code: 'ask.no-question', values: { name, names: QUESTIONS.map((one) => one.name) } });
  const answer = askQuestion(question, input, shelf);
  return answer.ok ? { ok: true, value: roundNumbers(answer.value, ANSWER_DECIMALS) } : answer;
}
