import fc from 'fast-check';
import { listReceiver, listSender, resolveReferences, withReferences } from './listPatch';

interface Thing {
  readonly id: string;
  readonly value: number;
  readonly more?: readonly number[];
}
const idOf = ({ id }: Thing) => id;
const thing = fc.record(
  {
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    value: fc.integer({ min: 0, max: 2 }),
    more: fc.array(fc.integer({ min: 0, max: 1 }), { maxLength: 4 }),
  },
  { requiredKeys: ['id', 'value'] },
);
const lists = fc.array(fc.uniqueArray(thing, { selector: idOf }), { minLength: 1, maxLength: 8 });

it('whatever lists follow each other, the other end has each as it was, and what did not change as the object it was', () => {
  fc.assert(
    fc.property(lists, (all) => {
      const [send, receive] = [listSender<Thing>(idOf), listReceiver<Thing>()];
      let before: readonly Thing[] = [];
      for (const list of all) {
        const got = receive(structuredClone(send(list)));
        expect(got).toEqual(list);
        for (const one of got) {
          const old = before.find(({ id }) => id === one.id);
          if (old && JSON.stringify(Object.entries(old).sort()) === JSON.stringify(Object.entries(one).sort()))
            expect(one).toBe(old);
        }
        before = got;
      }
    }),
  );
});

it('what did not change is not sent again, of what changed only what differs', () => {
  const send = listSender<Thing>(idOf);
  const list: Thing[] = [
    { id: 'a', value: 1, more: [1, 2] },
    { id: 'b', value: 1 },
  ];
  expect(send(list)).toEqual(list);
  expect(send([list[1]!, { id: 'a', value: 2, more: [1, 2] }])).toEqual([1, [0, { value: 2 }, {}]]);
  expect(send([{ id: 'a', value: 2, more: [1, 5, 6, 2] }])).toEqual([[1, {}, { more: [1, 1, [5, 6]] }]]);
  expect(send([{ id: 'a', value: 2 }])).toEqual([{ id: 'a', value: 2 }]);
  expect(send([])).toEqual([]);
  expect(send(list)).toEqual(list);
});

it('what was never sent is an error, not a gap', () => {
  expect(() => listReceiver<Thing>()([0])).toThrow('entry 0 was named but never sent');
  expect(() => listReceiver<Thing>()([[0, { value: 1 }, {}]])).toThrow('entry 0 was named but never sent');
});

it('what is known is named and found again as the object it was', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(thing, { selector: idOf }),
      fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
      (list, known) => {
        const sent = withReferences(list, new Set(list.filter((_, index) => known[index])));
        expect(sent.filter((one) => typeof one === 'string')).toHaveLength(
          list.filter((_, index) => known[index]).length,
        );
        expect(resolveReferences(sent, list).every((one, index) => one === list[index])).toBe(true);
      },
    ),
  );
  expect(() => resolveReferences<Thing>(['a'], [])).toThrow('a was named but never sent');
});
