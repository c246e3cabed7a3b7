import { ENGLISH, type LanguageBook } from './english';

const ACCENTS: Readonly<Record<string, string>> = {
  a: 'á',
  c: 'ç',
  d: 'ð',
  e: 'é',
  g: 'ĝ',
  h: 'ĥ',
  i: 'í',
  j: 'ĵ',
  k: 'ķ',
  l: 'ļ',
  n: 'ñ',
  o: 'ö',
  r: 'ŕ',
  s: 'š',
  t: 'ţ',
  u: 'ü',
  w: 'ŵ',
  y: 'ý',
  z: 'ž',
  A: 'Á',
  C: 'Ç',
  D: 'Ð',
  E: 'É',
  G: 'Ĝ',
  I: 'Í',
  K: 'Ķ',
  L: 'Ļ',
  N: 'Ñ',
  O: 'Ö',
  R: 'Ŕ',
  S: 'Š',
  T: 'Ţ',
  U: 'Ü',
  W: 'Ŵ',
  Y: 'Ý',
  Z: 'Ž',
};

/** How much longer than English another language may be. */
const LONGER = 0.35;

/**
 * A pseudo-language: accented letters, a third longer, in brackets. Plain English on a screen was not translated; a
 * text without its closing bracket is clipped. Text that is already in it stays.
 */
export function pseudo(english: string): string {
  if (english.trim() === '' || /^\[.*\]$/s.test(english)) return english;
  // Placeholders stay as they are.
  const letters = english
    .split(/(\{\d+\})/)
    .map((piece, index) => (index % 2 === 1 ? piece : [...piece].map((letter) => ACCENTS[letter] ?? letter).join('')))
    .join('');
  return `[${letters}${'·'.repeat(Math.ceil(english.length * LONGER))}]`;
}

/**
 * A sentence of the interface. One with a figure outside a place was put together before it could be looked up: no language could
 * know it. It stands between ⟦ and ⟧, unless the figure is all there is.
 */
function sentence(english: string): string {
  if (/^\[.*\]$/s.test(english)) return english;
  const literal = english.replace(/\{\d+\}/g, '');
  return /\d/.test(literal) && /\p{L}{4}/u.test(literal) ? `⟦${english}⟧` : pseudo(english);
}

/** The language book of the pseudo-language, derived from English. */
export const PSEUDO: LanguageBook = { ...ENGLISH, sentence, told: pseudo };
