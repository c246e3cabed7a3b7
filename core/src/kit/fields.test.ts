import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import * as v from 'valibot';
import { parseFaultText } from './fault-text';
import { lengthMm, listOf, MAX_FAULTS, numberBetween, positiveUpTo } from './fields';

const { say } = wordsFor();

/** A schema that counts how often it is asked. */
function counting() {
  const schema = v.strictObject({ a: v.number('needs a number'), b: v.number('needs a number') });
  const seen = { count: 0 };
  const item = {
    ...schema,
    '~run': (...all: Parameters<(typeof schema)['~run']>) => {
      seen.count++;
      return schema['~run'](...all);
    },
  } as typeof schema;
  return { item, seen };
}
const issuesOf = (schema: v.GenericSchema, data: unknown) => v.safeParse(schema, data).issues ?? [];

it('looks at the length before anything in the list', () => {
  const { item, seen } = counting();
  const issues = issuesOf(listOf(item, 'things', 10), new Array(11).fill({}));
  expect(issues.map(({ message }) => say(parseFaultText(message)))).toEqual(['has at most 10 things']);
  expect(seen.count).toBe(0);
});
it('looks no further after so many faults', () => {
  const { item, seen } = counting();
  expect(issuesOf(listOf(item, 'things', 100_000), new Array(100_000).fill({})).length).toBe(MAX_FAULTS);
  expect(seen.count).toBe(MAX_FAULTS / 2);
});
it('counts faults of lists in lists', () => {
  const { item, seen } = counting();
  const rows = Array.from({ length: 1000 }, () => new Array(1000).fill({}));
  expect(issuesOf(listOf(listOf(item, 'cells', 1000), 'rows', 1000), rows).length).toBe(MAX_FAULTS);
  expect(seen.count).toBe(MAX_FAULTS / 2);
});
it.each([
  [[], 'needs at least 2 things'],
  ['text', 'needs a list of things'],
  [null, 'needs a list of things'],
  [{ length: 3 }, 'needs a list of things'],
])('refuses %j', (data, message) =>
  expect(say(parseFaultText(issuesOf(listOf(v.number(), 'things', 5, 2), data)[0]?.message ?? ''))).toBe(message),
);
it('reads a sound list as the library does, faults with their places', () => {
  const ours = listOf(v.strictObject({ n: v.number('needs a number') }), 'things', 20);
  const theirs = v.array(v.strictObject({ n: v.number('needs a number') }));
  const place = ({ path, message }: v.BaseIssue<unknown>) => `${path?.map(({ key }) => key).join('.')}: ${message}`;
  fc.assert(
    fc.property(
      fc.array(fc.oneof(fc.record({ n: fc.integer() }), fc.record({ n: fc.string() }), fc.constant(3)), {
        maxLength: 20,
      }),
      (data) => {
        const [a, b] = [v.safeParse(ours, data), v.safeParse(theirs, data)];
        expect(a.success).toBe(b.success);
        if (a.success) expect(a.output).toEqual(b.output);
        else expect(a.issues.map(place)).toEqual(b.issues?.map(place));
      },
    ),
  );
});

it.each([[1e-300], [5e-324], [0.0009], [0], [-1], [Infinity], [NaN], [1e300]])(
  '%j is no figure anybody means',
  (value) => {
    for (const schema of [lengthMm(), positiveUpTo(100, 'µm'), numberBetween(1, 1000)])
      expect(v.is(schema, value)).toBe(false);
  },
);
it('takes the least and the greatest, and says both', () => {
  expect([0.01, 30_000].map((value) => v.is(lengthMm(), value))).toEqual([true, true]);
  expect(issuesOf(lengthMm(), 0.001).map(({ message }) => say(parseFaultText(message)!))).toEqual([
    expect.stringMatching(/0\.01/),
  ]);
});
