import type { Message } from '@lintrel/core';
import type { Words } from '@lintrel/words';

/** A copy of a plan with words beside every message; steps and techniques also with details and reasons. */
export function withWords(value: unknown, words: Words): unknown {
  if (Array.isArray(value)) return value.map((item) => withWords(item, words));
  if (value === null || typeof value !== 'object') return value;
  const copy = Object.fromEntries(Object.entries(value).map(([key, item]) => [key, withWords(item, words)]));
  if (!isSaid(value)) return copy;
  const detail = value.code.startsWith('step.')
    ? words.detail(value)
    : value.code.startsWith('technique.')
      ? words.why(value)
      : '';
  return {
    ...copy,
    words: [words.say(value), detail]
      .filter(Boolean)
      .join('. ')
      .replace(/([.:!?])\. /g, '$1 '),
  };
}

const isSaid = (value: object): value is Message =>
  'code' in value && 'values' in value && typeof value.code === 'string' && typeof value.values === 'object';
