// A text of the interface with values is one sentence, and another language may order the values differently.
// Each value is enclosed in two invisible marks (first strong isolate, pop directional isolate), and the sentence is
// looked up without the values: `Stage {0}: pull after {1}`.

const OPEN = '\u2068';
const CLOSE = '\u2069';

const place = (value: unknown): string =>
  `${OPEN}${value === undefined || value === null ? '' : String(value)}${CLOSE}`;

/**
 * A text with values, as a template: ``phrase`Stage ${number}: pull after ${name}` ``. Values may be phrases
 * themselves.
 */
export const phrase = (texts: readonly string[], ...values: readonly unknown[]): string =>
  texts.map((text, index) => (index < values.length ? text + place(values[index]) : text)).join('');

/** Several texts one behind the other, each looked up on its own. */
export const phrases = (texts: readonly string[], between = ', '): string =>
  texts.length === 1 ? texts[0]! : texts.map(place).join(between);

/** The same with `and` before the last. */
export const listedPhrase = (texts: readonly string[]): string =>
  texts.length < 2 ? texts.join('') : phrase`${phrases(texts.slice(0, -1))} and ${texts[texts.length - 1]}`;

/** A number with its noun, as a text with a place: `{0} lines`. */
export const countPhrase = (count: number, singular: string, many = `${singular}s`): string =>
  `${place(count)} ${count === 1 ? singular : many}`;

/**
 * Translates a text.
 * @param shown plain text or phrase
 * @param look returns the sentence in the other language, with `{0}`, `{1}` … in any order
 */
export function translated(shown: string, look: (sentence: string) => string): string {
  const { sentence, values } = taken(shown);
  if (values.length === 0) return look(sentence);
  return look(sentence).replace(/\{(\d+)\}/g, (_, index: string) => translated(values[Number(index)] ?? '', look));
}

/** A phrase without the marks: for English, and for names of files. */
export const withoutMarks = (shown: string): string =>
  shown.includes(OPEN) ? shown.replace(/[\u2068\u2069]/g, '') : shown;

/** The sentence with numbered placeholders, and its values. */
function taken(shown: string): { sentence: string; values: string[] } {
  if (!shown.includes(OPEN)) return { sentence: shown, values: [] };
  const values: string[] = [];
  let sentence = '';
  let depth = 0;
  let from = 0;
  for (let index = 0; index < shown.length; index++) {
    if (shown[index] === OPEN && depth++ === 0) {
      sentence += shown.slice(from, index);
      from = index + 1;
    } else if (shown[index] === CLOSE && --depth === 0) {
      sentence += `{${values.length}}`;
      values.push(shown.slice(from, index));
      from = index + 1;
    }
  }
  return { sentence: sentence + shown.slice(from), values };
}
