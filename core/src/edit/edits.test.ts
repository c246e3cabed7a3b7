import { type Design, emptyDesign, type Part, type Scheme } from '../job';
import type { TrimLine } from '../lines';
import { withChoices, withOrder, withoutOrder, withVouchedPair } from './choices';
import { followersOf, withBands, withCopy, withLine, withMoved, withoutLine } from './lines';
import { detachedPart, withoutPart, withPart } from './parts';
import { withLayer, withOtherScheme, withoutScheme, withSchemeCopy, withSchemeName } from './schemes';

const straight = (id: string): TrimLine => ({
  kind: 'straight',
  id,
  name: `Line ${id}`,
  datum: 'base',
  runOn: false,
  from: { along: 0, above: 0 },
  to: { along: 100, above: 0 },
});
const parallel = (id: string, of: string): TrimLine =>
  ({ kind: 'parallel', id, name: id, runOn: false, of, offset: 20 }) as TrimLine;
const design = (...lines: TrimLine[]): Design =>
  ({
    ...emptyDesign('Lines', 'other'),
    parts: [
      { id: 'one', lines },
      { id: 'two', lines: [straight('a')] },
    ],
  }) as unknown as Design;
const ids = (of: Design, part = 0) => of.parts[part]!.lines.map(({ id }) => id);

describe('lines of a part', () => {
  const before = design(straight('a'), straight('b'), straight('c'));

  it('one is put in place of itself, or at the end', () => {
    expect(ids(withLine(before, 'one', { ...straight('b'), name: 'New' }))).toEqual(['a', 'b', 'c']);
    expect(withLine(before, 'one', { ...straight('b'), name: 'New' }).parts[0]!.lines[1]!.name).toBe('New');
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
    expect(after.parts[0]!.lines[2]).toMatchObject({ name: 'Line b (copy)', from: { along: 0, above: 0 } });
    expect(withCopy(after, 'one', 'b').parts[0]!.lines).toHaveLength(5);
  });

  it('one moves up and down the list and no further', () => {
    expect(ids(withMoved(before, 'one', 'b', -1))).toEqual(['b', 'a', 'c']);
    expect(ids(withMoved(before, 'one', 'b', 1))).toEqual(['a', 'c', 'b']);
    expect(ids(withMoved(before, 'one', 'a', -1))).toEqual(['a', 'b', 'c']);
    expect(ids(withMoved(before, 'one', 'c', 1))).toEqual(['a', 'b', 'c']);
    expect(ids(withMoved(before, 'one', 'gone', 1))).toEqual(['a', 'b', 'c']);
  });

  it('those that are made from a line are named', () => {
    const { lines } = design(straight('a'), parallel('p', 'a'), straight('b'), parallel('q', 'p')).parts[0]!;
    expect(followersOf(lines, 'a').map(({ id }) => id)).toEqual(['p']);
    expect(followersOf(lines, 'b')).toEqual([]);
  });
});

describe('bands', () => {
  it('are made wider and set apart, other lines and parts are not', () => {
    const bands = { kind: 'bands', id: 'a', name: 'a', width: 10, gap: 5 } as unknown as TrimLine;
    const before = design(bands, straight('b'));
    const after = withBands(before, 'one', 'a', { width: 12, gap: 7 });
    expect(after.parts[0]!.lines[0]).toMatchObject({ width: 12, gap: 7 });
    expect(after.parts[0]!.lines[1]).toBe(before.parts[0]!.lines[1]);
    expect(withBands(before, 'one', 'b', { width: 12, gap: 7 }).parts[0]!.lines).toEqual(before.parts[0]!.lines);
  });
});

describe('parts', () => {
  const part = (id: string, attached?: string[]) =>
    ({ id, name: id, lines: [], ...(attached ? { attached } : {}) }) as unknown as Part;
  const before: Design = {
    ...emptyDesign('Parts', 'other'),
    parts: [part('a', ['b']), part('b'), part('c', ['a', 'b'])],
  };
  it('one is put in place of itself, and says alone what it is attached to', () => {
    const after = withPart(before, part('b', ['c']));
    expect(after.parts.map(({ id, attached }) => [id, attached])).toEqual([
      ['a', []],
      ['b', ['c']],
      ['c', ['a']],
    ]);
  });
  it('a new one comes last and changes no other', () => {
    const after = withPart(before, part('d'));
    expect(after.parts.slice(0, 3)).toEqual(before.parts);
    expect(after.parts[3]!.id).toBe('d');
  });
  it('one is taken out', () => expect(withoutPart(before, 'b').parts.map(({ id }) => id)).toEqual(['a', 'c']));
  it('one that stops following takes over what it looked like; one that goes on or never did is as it was made', () => {
    const shape = {
      surface: { kind: 'flat', outline: { kind: 'rectangle', width: 100, height: 50 } },
      datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    };
    const right = { ...part('right'), ...shape, lines: [straight('x')] } as unknown as Part;
    const left = { ...part('left'), opposite: { of: 'right', follows: true } } as unknown as Part;
    const free = { ...left, opposite: { of: 'right', follows: false } } as unknown as Part;
    expect(detachedPart(free, left, [right, left]).lines).toEqual([straight('x')]);
    expect(detachedPart(left, left, [right, left])).toBe(left);
    expect(detachedPart(right, null, [])).toBe(right);
  });
});

describe('schemes', () => {
  const one: Scheme = { areas: [], name: 'One' };
  const before: Design = { ...emptyDesign('Schemes', 'other'), scheme: one };
  it('are copied, named, taken in turn and removed', () => {
    const two = withSchemeName(withSchemeCopy(before, 'Copy'), 'Mine');
    expect([two.scheme.name, two.others?.map(({ name }) => name)]).toEqual(['Mine', ['Copy']]);
    const swapped = withOtherScheme(two, 0, ['Old', 'New']);
    expect([swapped.scheme.name, swapped.others?.map(({ name }) => name)]).toEqual(['New', ['Old']]);
    expect(withoutScheme(swapped, 0).others).toEqual([]);
    expect(withOtherScheme(two, 5, ['Old', 'New'])).toBe(two);
  });
  it('get a primer and a clear, and lose them again', () => {
    const primed = withLayer(before, 'primer', 'grey');
    expect(primed.scheme).toEqual({ ...one, primer: 'grey' });
    expect(withLayer(withLayer(primed, 'clear', 'gloss'), 'primer', null).scheme).toEqual({ ...one, clear: 'gloss' });
  });
});

describe('choices', () => {
  const before = emptyDesign('Choices', 'other');
  it('an order is taken with its spread, and given back with all that was settled', () => {
    const wide = withOrder(before, ['a', 'b'], true);
    expect(wide.choices).toMatchObject({ order: ['a', 'b'], spread: 'wide' });
    expect(withOrder(wide, ['b', 'a'], false).choices).not.toHaveProperty('spread');
    const settled = withChoices(wide, { wish: 'risk', before: [{ first: 'a', then: 'b' }], sameGun: [] });
    expect(withoutOrder(settled).choices).toEqual({ ...before.choices, order: null, wish: 'risk' });
  });
  it('a person vouches for one pair after another', () => {
    const pair = (note: string) => ({ lower: 'varnish', upper: 'two-part', note }) as const;
    expect(
      withVouchedPair(withVouchedPair(before, pair('one')), pair('two')).choices.vouched?.map(({ note }) => note),
    ).toEqual(['one', 'two']);
  });
});
