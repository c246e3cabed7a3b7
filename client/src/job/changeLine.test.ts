import { emptyDesign, type Design, type TrimLine } from '@lintrel/core';
import { followersOf, withCopy, withLine, withMoved, withoutLine } from './changeLine';

const straight = (id: string): TrimLine => ({
  kind: 'straight',
  id,
  name: `Line ${id}`,
  datum: 'base',
  runOn: false,
  from: { along: 0, above: 0 },
  to: { along: 100, above: 0 },
});
const parallel = (id: string, of: string): TrimLine => ({ kind: 'parallel', id, name: id, runOn: false, of, offset: 20 }) as TrimLine;
const design = (...lines: TrimLine[]): Design =>
  ({
    ...emptyDesign('Lines', 'other'),
    parts: [
      { id: 'one', lines },
      { id: 'two', lines: [straight('a')] },
    ],
  }) as unknown as Design;
const ids = (of: Design, part = 0) => of.parts[part].lines.map(({ id }) => id);

describe('lines of a part', () => {
  const before = design(straight('a'), straight('b'), straight('c'));

  it('one is put in place of itself, or at the end', () => {
    expect(ids(withLine(before, 'one', { ...straight('b'), name: 'New' }))).toEqual(['a', 'b', 'c']);
    expect(withLine(before, 'one', { ...straight('b'), name: 'New' }).parts[0].lines[1].name).toBe('New');
    expect(ids(withLine(before, 'one', straight('d')))).toEqual(['a', 'b', 'c', 'd']);
  });

  it('one is taken out, and other parts keep theirs of the same name', () => {
    const after = withoutLine(before, 'one', 'a');
    expect([ids(after), ids(after, 1)]).toEqual([['b', 'c'], ['a']]);
    expect(after.parts[1]).toBe(before.parts[1]);
  });

  it('a copy stands behind its line, under an id and a name of its own', () => {
    const after = withCopy(before, 'one', 'b');
    expect(new Set(ids(after)).size).toBe(4);
    expect(after.parts[0].lines[2]).toMatchObject({ name: 'Line b (copy)', from: { along: 0, above: 0 } });
    expect(withCopy(after, 'one', 'b').parts[0].lines).toHaveLength(5);
  });

  it('one moves up and down the list and no further', () => {
    expect(ids(withMoved(before, 'one', 'b', -1))).toEqual(['b', 'a', 'c']);
    expect(ids(withMoved(before, 'one', 'b', 1))).toEqual(['a', 'c', 'b']);
    expect(ids(withMoved(before, 'one', 'a', -1))).toEqual(['a', 'b', 'c']);
    expect(ids(withMoved(before, 'one', 'c', 1))).toEqual(['a', 'b', 'c']);
    expect(ids(withMoved(before, 'one', 'gone', 1))).toEqual(['a', 'b', 'c']);
  });

  it('those that are made from a line are named', () => {
    const { lines } = design(straight('a'), parallel('p', 'a'), straight('b'), parallel('q', 'p')).parts[0];
    expect(followersOf(lines, 'a').map(({ id }) => id)).toEqual(['p']);
    expect(followersOf(lines, 'b')).toEqual([]);
  });
});
