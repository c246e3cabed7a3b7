import { dictionary } from '@zxcvbn-ts/language-common';

/** Characters of the shortest part a passphrase may be a repetition of. */
const MIN_REPEATED = 5;

let known: ReadonlySet<string> | null = null;

/** Whether a passphrase is a common one, or a short text written several times. */
export function isCommon(passphrase: string): boolean {
  known ??= new Set(
    Object.values(dictionary)
      .flat()
      .map((word) => String(word).toLowerCase()),
  );
  const lower = passphrase.normalize('NFKC').toLowerCase();
  const repeated = /^(.+?)\1+$/s.exec(lower)?.[1];
  return (
    known.has(lower) ||
    known.has(lower.replace(/\s+/g, '')) ||
    isSequence(lower) ||
    (repeated !== undefined && repeated.length < MIN_REPEATED)
  );
}

/** Whether every character follows the one before in the same step, as in 1234567890 or abcdefghij. */
function isSequence(text: string): boolean {
  const codes = [...text].map((letter) => letter.codePointAt(0)!);
  const steps = codes.slice(1).map((code, index) => code - codes[index]!);
  // 9 goes on with 0.
  return steps.every((step) => Math.abs(step) <= 1 || Math.abs(step) === 9) && new Set(steps.map(Math.sign)).size <= 2;
}
