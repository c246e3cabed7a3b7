import { SHIPPED_FINISHES, SHIPPED_TAPES, type Part } from '@lintrel/core';
import * as v from 'valibot';
import { finishFields, finishFormSchema } from '../shelf/finishForm';
import { tapeFields, tapeFormSchema } from '../shelf/tapeForm';
import { freeId } from './ids';
import { fittedPoints, lineFields, lineFormSchema, lineFrom } from './lineForm';
import { partFields, partFormSchema, partFrom } from './partForm';

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
  lines: [
    { kind: 'straight', id: 'a', name: 'A', runOn: true, datum: 'base', from: { along: 0, above: 50 }, to: { along: 900, above: 60.5 } },
    {
      kind: 'arc',
      id: 'b',
      name: 'B',
      runOn: false,
      datum: 'base',
      from: { along: 0, above: 10 },
      through: { along: 400, above: 90 },
      to: { along: 900, above: 10 },
    },
    {
      kind: 'sweep',
      id: 'c',
      name: 'C',
      runOn: true,
      datum: 'base',
      points: [
        { along: 0, above: 0 },
        { along: 300, above: 40 },
        { along: 900, above: 5 },
      ],
    },
    { kind: 'parallel', id: 'd', name: 'D', runOn: true, of: 'c', offset: -6.35 },
  ],
};
const messages = (schema: object, data: unknown) =>
  v.safeParse(schema as v.GenericSchema, data).issues?.map((issue) => `${v.getDotPath(issue)}: ${issue.message}`) ?? [];

describe.each(['mm', 'in'] as const)('in %s', (unit) => {
  it.each(part.lines)('line $name goes through its form unchanged', (line) => {
    const back = lineFrom(v.parse(lineFormSchema({ bare: unit }), lineFields(line, part, unit, '')), line.id);
    expect(JSON.parse(JSON.stringify(back), (_, value) => (typeof value === 'number' ? Math.round(value * 1000) / 1000 : value))).toEqual(line);
  });
  it('a part goes through its form unchanged', () => {
    const back = partFrom(v.parse(partFormSchema({ bare: unit }), partFields(part, unit)), part.id, part.lines);
    expect(JSON.parse(JSON.stringify(back), (_, value) => (typeof value === 'number' ? Math.round(value * 1000) / 1000 : value))).toEqual(part);
  });
});

it('a crossing outline is told at its corner', () => {
  const crossed = {
    ...partFields(part, 'mm'),
    corners: [
      ['0', '0'],
      ['9', '9'],
      ['9', '0'],
      ['0', '9'],
    ].map(([x, y]) => ({ x, y })),
  };
  expect(messages(partFormSchema({}), crossed)).toEqual([expect.stringMatching(/^corners\.2\.x: .*crosses/)]);
});
it('sizes of the real thing are understood at scale', () => {
  const fields = { ...partFields(null, 'mm'), name: 'Hull', width: '9600 mm real', height: '100' };
  expect(v.parse(partFormSchema({ scale: 96 }), fields)).toMatchObject({ width: 100, height: 100 });
  expect(messages(partFormSchema({ scale: 1 }), fields)).toEqual([expect.stringMatching(/^width: "real" needs a job at scale/)]);
});
it('a line names every point it cannot read', () => {
  const fields = {
    ...lineFields(null, part, 'mm', 'New'),
    points: [
      { along: 'x', above: '' },
      { along: '1', above: '1e9' },
    ],
  };
  expect(messages(lineFormSchema({}), fields).map((text) => text.split(':')[0])).toEqual(['points.0.along', 'points.0.above', 'points.1.above']);
});
it('another kind of line keeps the points that were typed', () => {
  const typed = [
    { along: '1', above: '2' },
    { along: '3', above: '4' },
    { along: '5', above: '6' },
  ];
  expect(fittedPoints(typed, 'straight')).toEqual([typed[0], typed[2]]);
  expect(fittedPoints(typed.slice(0, 2), 'arc')).toHaveLength(3);
  expect(fittedPoints(typed, 'parallel')).toBe(typed);
});
it('every tape and finish that ships goes through its form unchanged', () => {
  for (const tape of SHIPPED_TAPES) expect(v.parse(tapeFormSchema, tapeFields(tape))).toEqual(tape);
  for (const finish of SHIPPED_FINISHES) expect(v.parse(finishFormSchema, finishFields(finish))).toEqual(finish);
});
it('a mix that is none is refused', () => {
  for (const mixRatio of ['', '4:', 'a:b', '0:1', '1:2:3:4:5'])
    expect(messages(finishFormSchema, { ...finishFields(), id: 'x', name: 'X', mixRatio })).toEqual([expect.stringMatching(/^mixRatio/)]);
});
it('a free id is one that is not used', () => {
  expect(freeId('d', ['base'])).toBe('d2');
  expect(freeId('d', ['d2'])).toBe('d3');
});
