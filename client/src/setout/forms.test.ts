import {
  checkAgainst,
  designSchema,
  type EditMessage,
  emptyDesign,
  firstThree,
  followersOf,
  type Part,
  SHIPPED_FINISHES,
  SHIPPED_TAPES,
  type TrimLine,
  unusedId,
  withCopy,
  withLine,
  withMoved,
  withoutLine,
} from '@lintrel/core';
import * as v from 'valibot';
import { withTree } from '@/forms/tree';
import { finishFields, finishFormSchema } from '@/shelf/finishForm';
import { tapeFields, tapeFormSchema } from '@/shelf/tapeForm';
import { NO_HISTORY, recordStep, stepBack, stepForward } from '@/sync/history';
import { fittedPoints, lineFields, readLine } from './lineForm';
import { KIND_FORMS, KINDS_OFFERED } from './lineKinds';
import { emptyOutline, emptySurface, newPart, partTree, readPart } from './partForm';

const step = (words: string): EditMessage => ({ code: 'edit.written', values: { words } });

const at = (along: number, above: number) => ({ along, above });
const measured = { runOn: false, datum: 'base' };
const LINES: TrimLine[] = [
  { kind: 'straight', id: 'a', name: 'A', runOn: true, datum: 'base', from: at(0, 50), to: at(900, 60.5), endOn: 'b' },
  { kind: 'arc', id: 'b', name: 'B', ...measured, from: at(0, 10), through: at(400, 90), to: at(900, 10) },
  {
    kind: 'arc',
    id: 'b2',
    name: 'B2',
    ...measured,
    from: at(0, 10),
    through: at(300, 80),
    also: [at(500, 88)],
    to: at(900, 10),
  },
  {
    kind: 'sweep',
    id: 'c',
    name: 'C',
    runOn: true,
    datum: 'base',
    points: [at(0, 0), at(300, 40), at(900, 5)],
    startDeg: -5,
  },
  { kind: 'parallel', id: 'd', name: 'D', runOn: true, of: 'c', offset: -6.35 },
  { kind: 'parallel', id: 'e', name: 'E', runOn: false, of: { edge: 2 }, offset: 25 },
  { kind: 'radius', id: 'f', name: 'F', ...measured, from: at(100, 10), headingDeg: 30, radius: 250, turnDeg: -45 },
  { kind: 'ellipse', id: 'g', name: 'G', ...measured, centre: at(450, 90), width: 60, height: 40, turnDeg: 10 },
  { kind: 'ring', id: 'h', name: 'H', runOn: false, at: 120 },
  {
    kind: 'bands',
    id: 'i',
    name: 'I',
    ...measured,
    from: at(0, 0),
    headingDeg: 0,
    count: 3,
    width: 40,
    gap: 0,
    margin: 10,
    slantDeg: 12,
    taper: 0.8,
  },
  { kind: 'mirror', id: 'j', name: 'J', ...measured, of: 'c' },
  { kind: 'fillet', id: 'k', name: 'K', runOn: false, a: 'a', b: 'b', radius: 30, keepA: 'start', keepB: 'end' },
  {
    kind: 'rays',
    id: 'l',
    name: 'L',
    ...measured,
    from: at(450, 0),
    count: 7,
    firstDeg: 10,
    stepDeg: 20,
    clear: 0,
    length: 80,
  },
  {
    kind: 'cut',
    id: 'm',
    name: 'M',
    runOn: false,
    view: 'side',
    from: { across: 0, up: 90 },
    to: { across: 4000, up: 110 },
    half: 'near',
  },
  { kind: 'continuation', id: 'n', name: 'N', runOn: true, part: 'door', of: 'waist', end: 'end', mode: 'level' },
  {
    kind: 'wave',
    id: 'o',
    name: 'O',
    ...measured,
    from: at(0, 80),
    to: at(800, 80),
    pitch: 100,
    height: 20,
    shape: 'scallop',
  },
  {
    kind: 'text',
    id: 'p',
    name: 'P',
    ...measured,
    text: 'XQ-07',
    at: at(10, 20),
    height: 120,
    stroke: 20,
    spacing: 5,
    slantDeg: 8,
    turnDeg: 0,
    locked: true,
  },
  {
    kind: 'imported',
    id: 'q',
    name: 'Q',
    ...measured,
    paths: [
      {
        closed: false,
        points: [
          [0, 0],
          [10, 10],
        ],
      },
    ],
  },
];
const part: Part = {
  id: 'side',
  name: 'Side',
  count: 2,
  substrate: 'wood',
  present: { system: 'varnish', colour: '#b98a4a', ageH: 400 },
  surface: {
    kind: 'flat',
    outline: {
      kind: 'polygon',
      points: [
        [0, 0],
        [900, 0],
        [450.25, 300],
      ],
    },
  },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: LINES,
};
const SURFACES: Part['surface'][] = [
  part.surface,
  { kind: 'flat', outline: { kind: 'disc', diameter: 240 } },
  {
    kind: 'flat',
    outline: {
      kind: 'curved',
      start: [0, 0],
      edges: [{ to: [100, 0] }, { to: [100, 50], through: [120, 25] }, { to: [0, 0] }],
    },
  },
  { kind: 'tube', diameter: 60, length: 400 },
  { kind: 'cone', d1: 0, d2: 90, length: 120 },
  {
    kind: 'turned',
    profile: { start: [0, 0], edges: [{ to: [40, 30] }, { to: [90, 35], through: [60, 34] }], smooth: false },
  },
  {
    kind: 'folded',
    panels: [
      { id: 'a', name: 'A', outline: { kind: 'rectangle', width: 100, height: 50 }, fold: null },
      {
        id: 'b',
        name: 'B',
        outline: { kind: 'rectangle', width: 40, height: 50 },
        fold: { on: 'a', edge: 1, own: 3, angleDeg: 90, radius: 3 },
      },
    ],
  },
];
const thousandths = (data: unknown): unknown =>
  JSON.parse(JSON.stringify(data), (_, value) => (typeof value === 'number' ? Math.round(value * 1000) / 1000 : value));
const lineBack = (line: TrimLine, unit: 'mm' | 'in') =>
  readLine(lineFields(line, part, unit, ''), line.id, line, { bare: unit });
const messages = (schema: object, data: unknown) =>
  v.safeParse(schema as v.GenericSchema, data).issues?.map((issue) => `${v.getDotPath(issue)}: ${issue.message}`) ?? [];

/** What a part is checked among. */
const alone = emptyDesign('T', 'other');

describe.each(['mm', 'in'] as const)('in %s', (unit) => {
  it.each(LINES)('line $name ($kind) goes through its form unchanged', (line) => {
    const back = lineBack(line, unit);
    expect(back.ok && thousandths(back.line)).toEqual(line);
  });
  it.each(SURFACES)('a $kind part goes through its form unchanged', (surface) => {
    const pose: Part['pose'] = { at: [10, -20, 30], yawDeg: 90, pitchDeg: 0, rollDeg: -90 };
    const features: Part['features'] = [
      {
        kind: 'opening',
        id: 'o',
        name: 'O',
        datum: 'base',
        use: 'window',
        shape: { kind: 'window', at: at(50, 20), width: 10, height: 8, corner: 1 },
      },
      { kind: 'raised-row', id: 'r', name: 'R', datum: 'base', from: at(0, 10), to: at(50, 10), height: 2, pitch: 20 },
    ];
    const whole: Part = { ...part, surface, pose, features };
    const back = readPart(partTree(whole, unit, false), whole.lines, { bare: unit }, alone);
    expect(back.ok && thousandths(back.part)).toEqual(thousandths(whole));
  });
});

it('there is a form for every kind of line that is offered, and a name for each of its values', () => {
  for (const kind of KINDS_OFFERED)
    for (const { key, label } of KIND_FORMS[kind].fields)
      expect([key, label].every((text) => text.length > 0)).toBe(true);
});
it('a new circle needs one diameter only', () => {
  const fields = lineFields(null, part, 'mm', 'New');
  const read = readLine(
    {
      ...fields,
      kind: 'ellipse',
      points: [{ along: '10', above: '20' }],
      values: { ...fields.values, width: '60', height: '' },
    },
    'x',
    null,
    {},
  );
  expect(read).toMatchObject({ ok: true, line: { width: 60, height: 60 } });
});
it('one value of bands is found from the length they are spread over', () => {
  const fields = lineFields(null, part, 'mm', 'New');
  const bands = (values: Record<string, string>) =>
    readLine(
      {
        ...fields,
        kind: 'bands',
        points: [{ along: '0', above: '0' }],
        values: { ...fields.values, count: '4', width: '50', margin: '25', ...values },
      },
      'x',
      null,
      {},
    );
  expect(bands({ gap: '?', wholeLength: '400' })).toMatchObject({
    ok: true,
    line: { gap: 50, width: 50, margin: 25, count: 4 },
  });
  expect(bands({ gap: '?' })).toMatchObject({
    ok: false,
    faults: { 'values.wholeLength': expect.stringMatching(/over which length/) },
  });
  expect(bands({ count: '?', gap: '45', wholeLength: '400' })).toMatchObject({
    ok: false,
    faults: { 'values.count': expect.stringMatching(/^ask\.bands .*bands\.not-whole/) },
  });
});
it('what is wrong is told at the field it belongs to', () => {
  const fields = lineFields(null, part, 'mm', 'New');
  const faults = (changed: Partial<typeof fields>) => {
    const read = readLine({ ...fields, ...changed }, 'x', null, {});
    return read.ok ? {} : read.faults;
  };
  expect(
    Object.keys(
      faults({
        points: [
          { along: 'x', above: '' },
          { along: '1', above: '1e9' },
        ],
      }),
    ),
  ).toEqual(['points.0.along', 'points.0.above', 'points.1.above']);
  expect(
    Object.keys(
      faults({
        points: [
          { along: '0', above: '0' },
          { along: '1', above: '1e9' },
        ],
      }),
    ),
  ).toEqual(['points.1.above']);
  expect(
    faults({
      kind: 'bands',
      points: [{ along: '0', above: '0' }],
      values: { ...fields.values, width: '-4', gap: '3', count: '2.5' },
    }),
  ).toMatchObject({
    'values.width': expect.stringMatching(/^field\.above /),
    'values.count': expect.stringMatching(/^field\.whole /),
  });
  expect(faults({ kind: 'parallel', points: [], values: { ...fields.values, distance: '0.01' } })).toEqual({
    'values.distance': expect.stringMatching(/^field\.offset /),
  });
  expect(
    faults({
      kind: 'text',
      points: [{ along: '0', above: '0' }],
      values: { ...fields.values, text: 'ü', height: '10', stroke: '1' },
    }),
  ).toEqual({
    'values.text': expect.stringMatching(/^field.lettering /),
  });
  expect(
    Object.keys(
      faults({
        name: ' ',
        points: [
          { along: '0', above: '0' },
          { along: '1', above: '1' },
        ],
      }),
    ),
  ).toEqual(['name']);
});
it('an edge that is told twice is told where', () => {
  const twice = {
    ...part,
    rims: [
      { beyond: 'body' as const, edge: 0, to: 60 },
      { beyond: 'splash' as const, edge: 0, from: 20 },
    ],
  };
  const read = readPart(partTree(twice, 'mm', false), part.lines, {}, alone);
  expect(read).toMatchObject({ ok: false, faults: { 'rims[1].from': expect.stringMatching(/^design\.rim-twice/) } });
});
it('a part that is not sound is told where', () => {
  const tree = partTree(part, 'mm', false);
  const faults = (surface: Parameters<typeof withTree>[2]) => {
    const read = readPart(withTree(tree, ['surface'], surface), [], {}, alone);
    return read.ok ? {} : read.faults;
  };
  const crossed = {
    kind: 'polygon',
    points: [
      ['0', '0'],
      ['9', '9'],
      ['9', '0'],
      ['0', '9'],
    ],
  };
  expect(faults({ kind: 'flat', outline: crossed })).toEqual({
    'surface.outline.points[2][0]': expect.stringMatching(/^outline\.edges-cross /),
  });
  expect(faults(emptySurface('tube'))).toMatchObject({ 'surface.diameter': expect.stringMatching(/missing/) });
  expect(faults({ kind: 'cone', d1: '5', d2: '5', length: '9' })).toEqual({
    'surface.d2': expect.stringMatching(/^surface\.cone-is-tube /),
  });
  expect(faults({ kind: 'flat', outline: emptyOutline('disc') })).toMatchObject({
    'surface.outline.diameter': expect.stringMatching(/missing/),
  });
});
it('sizes of the real thing are understood at scale', () => {
  const tree = withTree(withTree(partTree(newPart('x'), 'mm', true), ['name'], 'Hull'), ['surface', 'outline'], {
    kind: 'rectangle',
    width: '9600 mm real',
    height: '100',
  });
  expect(readPart(tree, [], { scale: 96 }, alone)).toMatchObject({
    ok: true,
    part: { surface: { outline: { width: 100, height: 100 } } },
  });
  expect(readPart(tree, [], { scale: 1 }, alone)).toMatchObject({
    ok: false,
    faults: { 'surface.outline.width': expect.stringMatching(/^typed\.length-real /) },
  });
});

describe('lines of a part', () => {
  const design = { ...emptyDesign('T', 'other'), parts: [part] };
  const names = (changed: typeof design) => changed.parts[0]!.lines.map(({ name }) => name);
  it('are changed, copied, moved and taken out without touching the others', () => {
    expect(names(withLine(design, 'side', { ...LINES[0]!, name: 'AA' }))[0]).toBe('AA');
    expect(names(withMoved(design, 'side', 'b', -1)).slice(0, 2)).toEqual(['B', 'A']);
    expect(names(withMoved(design, 'side', 'a', -1))).toEqual(names(design));
    expect(names(withCopy(design, 'side', 'a')).slice(0, 2)).toEqual(['A', 'A (copy)']);
    expect(checkAgainst(designSchema, withCopy(design, 'side', 'a')).ok).toBe(true);
    expect(names(withoutLine(design, 'side', 'a'))).not.toContain('A');
    expect(followersOf(LINES, 'c').map(({ id }) => id)).toEqual(['d', 'j']);
  });
  it('are undone and done again, step by step; a new change ends what was undone', () => {
    const [one, two, three] = firstThree(['1', '2', '3'].map((title) => ({ ...design, title })));
    const history = recordStep(recordStep(NO_HISTORY, one, two, step('first')), two, three, step('second'));
    const back = stepBack(history, three);
    expect([back?.design.title, back?.said]).toEqual(['2', step('second')]);
    const again = stepForward(back!.history, two);
    expect([again?.design.title, again?.said]).toEqual(['3', step('second')]);
    expect(stepBack(NO_HISTORY, one)).toBeNull();
    expect(stepForward(recordStep(back!.history, two, three, step('other')), three)).toBeNull();
  });
});
it('another kind of line keeps the points that were typed', () => {
  const typed = ['1', '3', '5'].map((along) => ({ along, above: '2' }));
  expect(fittedPoints(typed, 'straight')).toEqual([typed[0], typed[2]]);
  expect(fittedPoints(typed.slice(0, 2), 'arc')).toHaveLength(3);
  expect(fittedPoints(typed, 'parallel')).toEqual([]);
});
it('every tape and finish that ships goes through its form unchanged', () => {
  for (const tape of SHIPPED_TAPES) expect(v.parse(tapeFormSchema, tapeFields(tape))).toEqual(tape);
  for (const finish of SHIPPED_FINISHES) expect(v.parse(finishFormSchema, finishFields(finish))).toEqual(finish);
});
it('a mix that is none is refused', () => {
  for (const mixRatio of ['', '4:', 'a:b', '0:1', '1:2:3:4:5'])
    expect(messages(finishFormSchema, { ...finishFields(), id: 'x', name: 'X', mixRatio })).toEqual([
      expect.stringMatching(/^mixRatio/),
    ]);
});
it('a free id is one that is not used', () => {
  expect(unusedId('d', ['base'])).toBe('d2');
  expect(unusedId('d', ['d2'])).toBe('d3');
});
