import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { SHIPPED_SHELF, upgradeDesign } from '../job';
import { firstItem, firstTwo } from '../kit';
import { type JobFile, readJobFile, writeJobFile } from './job-file';
import { jobFileJsonSchema } from './json-schema';
import { mergeShelf } from './merge-shelf';

const { say } = wordsFor();

const FOLDER = join(__dirname, '../../../examples');
const EXAMPLES = readdirSync(FOLDER).filter((name) => name.endsWith('.json'));
const text = (name: string) => readFileSync(join(FOLDER, name), 'utf8');
const sound = (name = EXAMPLES[0]!): JobFile => {
  const read = readJobFile(text(name));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};
/** Faults of an example with one thing changed. */
function faultsWith(change: (file: Record<string, never>) => void): string[] {
  const file = JSON.parse(text('juniper.json')) as Record<string, never>;
  change(file);
  const read = readJobFile(JSON.stringify(file));
  return read.ok ? [] : read.faults.map((fault) => `${fault.path}: ${say(fault)}`);
}
const at = (file: unknown, ...keys: (string | number)[]) =>
  keys.reduce((value, key) => (value as Record<string | number, unknown>)[key], file) as Record<
    string | number,
    unknown
  >;

it.each(EXAMPLES)('%s is read and written again as the same bytes', (name) =>
  expect(writeJobFile(sound(name))).toBe(text(name)),
);

it.each<[string, (file: Record<string, never>) => void, RegExp]>([
  [
    'a negative width',
    (file) => Object.assign(at(file, 'design', 'parts', 2, 'surface', 'outline'), { width: -5 }),
    /^design\.parts\[2\]\.surface\.outline\.width: must be above 0/,
  ],
  [
    'a billion millimetres',
    (file) => Object.assign(at(file, 'design', 'parts', 2, 'surface', 'outline'), { width: 1e9 }),
    /at most 30000 mm/,
  ],
  [
    'NaN, which JSON writes as null',
    (file) => Object.assign(at(file, 'design', 'parts', 2, 'surface', 'outline'), { width: null }),
    /width: needs a number/,
  ],
  [
    'an empty name',
    (file) => Object.assign(at(file, 'design', 'parts', 0), { name: '  ' }),
    /^design\.parts\[0\]\.name: needs a name/,
  ],
  [
    'a key that is not known',
    (file) => Object.assign(at(file, 'design'), { paint: 1 }),
    /^design\.paint: is not known here/,
  ],
  [
    'a key that is missing',
    (file) => void delete at(file, 'design', 'climate').airC,
    /^design\.climate\.airC: is missing/,
  ],
  [
    'a text for a number',
    (file) => Object.assign(at(file, 'design', 'climate'), { airC: 'warm' }),
    /airC: needs a number/,
  ],
  [
    'a crossing outline',
    (file) =>
      Object.assign(at(file, 'design', 'parts', 2, 'surface'), {
        outline: {
          kind: 'polygon',
          points: [
            [0, 0],
            [100, 100],
            [100, 0],
            [0, 100],
          ],
        },
      }),
    /points\[\d\]: the edge from corner \d crosses/,
  ],
  [
    'a line from nowhere',
    (file) => Object.assign(at(file, 'design', 'parts', 0, 'lines', 0), { datum: 'moon' }),
    /lines\[0\]\.datum: there is no datum "moon"/,
  ],
  [
    'a line made from itself',
    (file) => Object.assign(at(file, 'design', 'parts', 0, 'lines', 1), { of: 'coach' }),
    /lines\[1\]: a line cannot be made from itself/,
  ],
  [
    'an unknown finish',
    (file) => Object.assign(at(file, 'design', 'scheme', 'areas', 0), { finish: 'mauve' }),
    /areas\[0\]\.finish: there is no finish "mauve"/,
  ],
  [
    'an id used twice',
    (file) => Object.assign(at(file, 'design', 'parts', 2), { id: 'left' }),
    /parts\[2\]\.id: "left" is used twice/,
  ],
  [
    'a newer version',
    (file) => Object.assign(file, { version: 4 }),
    /^version: must be a version up to 3: a newer program wrote this file/,
  ],
  [
    'a newer design',
    (file) => Object.assign(at(file, 'design'), { version: 4 }),
    /^design\.version: must be a version up to 3/,
  ],
])('refuses %s at its place', (_, change, message) => expect(faultsWith(change).join('\n')).toMatch(message));

it('keeps text that looks like code as text', () => {
  const file = sound('juniper.json');
  const title = `<script>alert(1)</script>'; DROP TABLE jobs; --`;
  const back = readJobFile(writeJobFile({ ...file, design: { ...file.design, title } }));
  expect(back.ok && back.value.design.title).toBe(title);
});

it('never throws, whatever the file holds', () => {
  fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (data) => readJobFile(data).ok === false));
});

describe('mergeShelf', () => {
  const file = sound('juniper.json');

  it('adds nothing that is there already', () =>
    expect(mergeShelf(file, SHIPPED_SHELF)).toEqual({ newTapes: [], newFinishes: [], newSupplies: [], file }));

  it('adds what is missing', () => {
    const { newTapes, newFinishes } = mergeShelf(file, { tapes: [], finishes: [] });
    expect(newTapes).toEqual(file.shelf.tapes);
    expect(newFinishes).toEqual(file.shelf.finishes);
  });

  it('gives a finish that differs a new id, and the design follows', () => {
    const first = firstItem(file.shelf.finishes);
    const shelf = {
      ...SHIPPED_SHELF,
      finishes: SHIPPED_SHELF.finishes.map((finish) => (finish.id === first.id ? { ...finish, touchMin: 1 } : finish)),
    };
    const merged = mergeShelf(file, shelf);
    expect(merged.newFinishes.map(({ id }) => id)).toEqual([`${first.id}-2`]);
    expect(merged.file.design.scheme.areas.some(({ finish }) => finish === first.id)).toBe(false);
    expect(merged.file.design.scheme.areas.some(({ finish }) => finish === `${first.id}-2`)).toBe(true);
  });
});

it('the JSON Schema kept in the docs is the one the reader generates', () => {
  const kept = readFileSync(join(__dirname, '../../../docs/job-file.schema.json'), 'utf8');
  expect(JSON.parse(kept)).toEqual(JSON.parse(JSON.stringify(jobFileJsonSchema())));
});

describe.each(['juniper', 'marigold'])('%s, a file of version 1', (name) => {
  const old = readFileSync(join(__dirname, `old/${name}-1.json`), 'utf8');
  it('is read, brought up, and written as one of today: nothing but its unit is left out', () => {
    const read = readJobFile(old);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const before = JSON.parse(old) as { design: Record<string, unknown>; shelf: unknown; log: object[] };
    const { unit, ...design } = before.design;
    expect(unit).toBe('mm');
    expect(JSON.parse(JSON.stringify(read.value))).toMatchObject({
      version: 3,
      design: { version: 3, ...design },
      shelf: before.shelf,
      log: before.log.map((event) => ({ ...event, version: 1 })),
    });
    const again = readJobFile(writeJobFile(read.value));
    expect(again).toEqual(read);
  });
  it('is the design of today, but for outlines that were drawn better since, and what stays on a part', () => {
    const [first, second] = firstTwo([old, text(`${name}.json`)].map((one) => readJobFile(one)));
    if (!first.ok || !second.ok) throw new Error('not read');
    const then = first.value.design.parts;
    const parts = second.value.design.parts.map(({ attached: _, ...part }, index) => ({
      ...part,
      surface: then[index]!.surface,
    }));
    expect(first.value.design).toEqual({ ...second.value.design, parts });
  });
});

it('a file of version 2 is read as one of today, each opening closed as is usual', () => {
  const old = readFileSync(join(__dirname, 'old', 'ostrel-2.json'), 'utf8');
  expect(JSON.parse(old)).toMatchObject({ version: 2, design: { version: 2 } });
  const [then, now] = [readJobFile(old), sound('ostrel.json')];
  if (!then.ok) throw new Error(JSON.stringify(then.faults));
  expect(then.value).toEqual(now);
});

it('a design of version 1 is brought up wherever it is read, and one that is none is left to be refused', () => {
  const { version: _, ...rest } = sound('ostrel.json').design;
  expect(upgradeDesign({ ...rest, unit: 'in' })).toEqual({ version: 3, ...rest });
  expect(upgradeDesign({ version: 2, ...rest })).toEqual({ version: 3, ...rest });
  for (const other of [null, 7, 'x', [], { version: 9 }]) expect(upgradeDesign(other)).toEqual(other);
});
