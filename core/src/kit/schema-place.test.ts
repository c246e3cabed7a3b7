import * as v from 'valibot';
import { lengthMm, listOf, nameText, numberBetween, wholeBetween } from './fields';
import { placeBelow, schemaPlace, unitAt } from './schema-place';

const shape = v.variant('kind', [
  v.strictObject({ kind: v.literal('disc'), size: lengthMm() }),
  v.strictObject({ kind: v.literal('share'), size: numberBetween(0, 100, '%'), count: wholeBetween(1, 9) }),
]);
const schema = v.strictObject({
  name: nameText(),
  turn: v.optional(numberBetween(-360, 360, '°')),
  shapes: listOf(shape, 'places', 5),
  place: v.nullable(v.tuple([lengthMm(), numberBetween(0, 1)])),
  of: v.union([nameText(), v.strictObject({ edge: wholeBetween(0, 9), gap: lengthMm() })]),
});
/** The unit at the end of a path through data. */
function unitOn(data: unknown, keys: readonly (string | number)[]): string | null {
  let [place, value] = [schemaPlace(schema, data), data];
  for (const key of keys) {
    value = (value as Readonly<Record<string | number, unknown>> | undefined)?.[key];
    place = placeBelow(place, key, value);
  }
  return unitAt(place);
}
const data = { name: 'Hull', shapes: [{ kind: 'disc' }, { kind: 'share' }], of: { edge: 1 } };

it.each([
  [['name'], null],
  [['turn'], '°'],
  [['shapes', 0, 'size'], 'mm'],
  [['shapes', 1, 'size'], '%'],
  [['shapes', 1, 'count'], ''],
  [['shapes', 0, 'count'], null],
  [['shapes', 0, 'kind'], null],
  [['place', 0], 'mm'],
  [['place', 1], ''],
  [['of', 'edge'], ''],
  [['of', 'gap'], 'mm'],
  [['nowhere', 'at', 0], null],
  [[], null],
] as const)('the number at %j has the unit %j', (keys, unit) => expect(unitOn(data, keys)).toBe(unit));

it('knows nothing of a variant that is not chosen yet', () =>
  expect(unitOn({ shapes: [{ kind: 'other' }] }, ['shapes', 0, 'size'])).toBeNull());
