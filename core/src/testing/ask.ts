import { wordsFor } from '@lintrel/words';
import { ask } from '../ask';

/** The answer to a question with valid input. */
export function answer(name: string, input: Record<string, unknown>): Readonly<Record<string, unknown>> {
  const result = ask(name, input);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
}

/** What is wrong with a question, a line a fault. */
export function faults(name: string, input: unknown): string[] {
  const result = ask(name, input);
  return result.ok ? [] : result.faults.map((fault) => `${fault.path}: ${wordsFor().say(fault)}`);
}
