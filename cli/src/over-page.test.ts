import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { PAINT_SYSTEM_KEYS, type PaintSystemKey } from '@lintrel/core';
import { compatibilityCell, compatibilityPage, FILM_AGES } from './over-page';

const page = readFileSync(resolve(__dirname, '../../docs/over-rules.md'), 'utf8');

/** The cells of the page as they are written there: lower, upper, then one for each age. */
const cells = page.split('\n## Over ').flatMap((section) => {
  const lower = /\(`([a-z-]+)`\)/.exec(section)?.[1] as PaintSystemKey | undefined;
  return lower === undefined || !section.includes('| then |')
    ? []
    : [...section.matchAll(/^\| `([a-z-]+)` \| (.*) \|$/gm)].map(([, upper, rest]) => ({
        lower,
        upper: upper as PaintSystemKey,
        told: rest!.split(' | '),
      }));
});

describe('the page of over-rules', () => {
  it('has every pair of systems once', () => {
    expect(cells.map(({ lower, upper }) => `${lower} ${upper}`).sort()).toEqual(
      PAINT_SYSTEM_KEYS.flatMap((lower) => PAINT_SYSTEM_KEYS.map((upper) => `${lower} ${upper}`)).sort(),
    );
  });
  it.each(
    cells.flatMap(({ lower, upper, told }) =>
      FILM_AGES.map((age, index) => ({ lower, upper, age, told: told[index] })),
    ),
  )('says what the rules say of $upper over $lower, $age', ({ lower, upper, age, told }) =>
    expect(compatibilityCell(lower, upper, age)).toBe(told),
  );
  it('is written from the rules as they are', () => expect(compatibilityPage()).toBe(page));
  it('has no answer without a reason, but for a yes within its window', () => {
    for (const { told } of cells) {
      const answers = told.slice(0, FILM_AGES.length);
      if (answers.some((answer) => answer === 'no' || answer === 'barrier' || answer === 'abrade'))
        expect(told[FILM_AGES.length]!.length).toBeGreaterThan(20);
    }
  });
});
