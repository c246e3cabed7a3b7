import { wordsFor } from '@lintrel/words';
import * as v from 'valibot';
import { designFaults } from './check';
import { type Design, emptyDesign } from './design';
import { checkAgainst, pathText } from './fault';
import { geometryKeys, type Part } from './part';
import { SHIPPED_SHELF } from './shelf';

const { say } = wordsFor();

const part = (over: Partial<Part> = {}): Part => ({
  id: 'a',
  name: 'A',
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width: 100, height: 50 } },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [
    {
      kind: 'straight',
      id: 'l',
      name: 'L',
      runOn: false,
      datum: 'base',
      from: { along: 0, above: 20 },
      to: { along: 100, above: 20 },
    },
  ],
  ...over,
});
const design = (over: Partial<Design> = {}): Design => ({ ...emptyDesign('T', 'other'), parts: [part()], ...over });
const faults = (over: Partial<Design>) =>
  designFaults(design(over), SHIPPED_SHELF).map((fault) => `${fault.path}: ${say(fault)}`);

it('a sound design has no faults', () => expect(faults({})).toEqual([]));

it.each<[string, Partial<Design>, RegExp]>([
  ['a part twice', { parts: [part(), part()] }, /^parts\[1\]\.id: "a" is used twice$/],
  ['a line twice', { parts: [part({ lines: [part().lines[0]!, part().lines[0]!] })] }, /^parts\[0\]\.lines\[1\]\.id/],
  [
    'a datum twice',
    { parts: [part({ datums: [part().datums[0]!, part().datums[0]!] })] },
    /^parts\[0\]\.datums\[1\]\.id/,
  ],
  [
    'a line parallel to itself',
    { parts: [part({ lines: [{ kind: 'parallel', id: 'l', name: 'L', runOn: true, of: 'l', offset: 4 }] })] },
    /a line cannot be made from itself/,
  ],
  [
    'an area of no part',
    { scheme: { areas: [{ part: 'z', seed: [1, 1], finish: null }] } },
    /^scheme\.areas\[0\]\.part: there is no part "z"/,
  ],
  [
    'an order with an unknown finish',
    { choices: { order: ['mauve'], school: null } },
    /^choices\.order\[0\]: there is no finish "mauve"/,
  ],
])('finds %s', (_, over, message) => expect(faults(over).join('\n')).toMatch(message));

const hole = {
  kind: 'opening',
  id: 'h',
  name: 'H',
  datum: 'base',
  use: 'hole',
  shape: { kind: 'round', at: { along: 50, above: 20 }, diameter: 8 },
} as const;

it.each<[string, Part[], RegExp]>([
  ['a feature twice', [part({ features: [hole, hole] })], /features\[1\]\.id: "h" is used twice/],
  [
    'a feature measured from nowhere',
    [part({ features: [{ ...hole, datum: 'moon' }] })],
    /features\[0\]\.datum: there is no datum "moon"/,
  ],
  [
    'a cone that is a tube',
    [part({ surface: { kind: 'cone', d1: 20, d2: 20, length: 50 } })],
    /surface\.d2: both ends/,
  ],
  [
    'a profile below its axis',
    [part({ surface: { kind: 'turned', profile: { start: [0, 5], edges: [{ to: [9, -1] }], smooth: true } } })],
    /surface\.profile\.edges\[0\]: a radius/,
  ],
  [
    'an outline that does not close',
    [
      part({
        surface: { kind: 'flat', outline: { kind: 'curved', start: [0, 0], edges: [{ to: [9, 0] }, { to: [9, 9] }] } },
      }),
    ],
    /outline\.edges\[1\]: must end/,
  ],
  [
    'a mirror image of nothing',
    [part({ opposite: { of: 'z', follows: true } })],
    /opposite\.of: there is no other part "z"/,
  ],
  [
    'a mirror image of itself',
    [part({ opposite: { of: 'a', follows: true } })],
    /opposite\.of: there is no other part/,
  ],
  [
    'a mirror image of a mirror image',
    [
      part(),
      part({ id: 'b', opposite: { of: 'a', follows: true } }),
      part({ id: 'c', opposite: { of: 'b', follows: true } }),
    ],
    /parts\[2\]\.opposite\.of: "A" is itself a mirror image/,
  ],
])('finds %s', (_, parts, message) => expect(faults({ parts }).join('\n')).toMatch(message));

it('lets a part go its own way once it is detached', () =>
  expect(faults({ parts: [part({ opposite: { of: 'gone', follows: false } })] })).toEqual([]));

describe('what the lines of a part follow from', () => {
  const left = part({ id: 'left', lines: [], opposite: { of: 'a', follows: true } });
  const text = (one: Part, parts: Part[]) =>
    geometryKeys([...parts.filter(({ id }) => id !== one.id), one]).get(one.id) ?? '';
  it('is the part, and the part it mirrors or goes on from', () => {
    const other = part({ lines: [] });
    expect(text(left, [part(), left])).not.toBe(text(left, [other, left]));
    expect(text(part(), [part(), left])).toBe(text(part(), [part(), part({ id: 'left' })]));
  });
  it('is not its name, its colour or how many there are', () =>
    expect(text(part({ name: 'X', count: 9 }), [])).toBe(text(part(), [])));
  it('ends, also where two parts go on from each other', () => {
    const onward = (id: string, from: string): Part =>
      part({
        id,
        lines: [
          { kind: 'continuation', id: 'l', name: 'L', runOn: true, part: from, of: 'l', end: 'end', mode: 'side' },
        ],
      });
    const parts = [onward('a', 'b'), onward('b', 'a')];
    expect(text(parts[0]!, parts).length).toBeLessThan(5000);
  });
});

describe('checkAgainst', () => {
  const schema = v.strictObject({
    a: v.number('needs a number'),
    b: v.array(v.strictObject({ c: v.string('needs text') })),
  });
  it('names every fault at its place', () => {
    const checked = checkAgainst(schema, { a: 'x', b: [{ c: 1, d: 2 }], e: 0 }, 'file');
    expect(checked.ok ? [] : checked.faults.map((fault) => `${fault.path}: ${say(fault)}`).sort()).toEqual([
      'file.a: needs a number',
      'file.b[0].c: needs text',
      'file.b[0].d: is not known here',
      'file.e: is not known here',
    ]);
  });
  it('says what is missing', () =>
    expect(checkAgainst(schema, { b: [] })).toEqual({
      ok: false,
      faults: [{ path: 'a', code: 'field.missing', values: {} }],
    }));
  it('tells at most fifty at once', () => {
    const checked = checkAgainst(
      v.array(v.number()),
      Array.from({ length: 200 }, () => 'x'),
    );
    expect(!checked.ok && checked.faults).toHaveLength(50);
  });
  it('writes paths as people read them', () =>
    expect(pathText(['design', 'parts', 0, 'lines', 2, 'of'])).toBe('design.parts[0].lines[2].of'));
});
