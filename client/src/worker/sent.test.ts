import fc from 'fast-check';
import { receivingLists, sendingLists } from './sent';

interface Thing {
  readonly id: string;
  readonly value: number;
}
const text = (one: Thing) => JSON.stringify(one);
const lists = fc.array(
  fc.uniqueArray(fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), value: fc.integer({ min: 0, max: 2 }) }), { selector: ({ id }) => id }),
  {
    minLength: 1,
    maxLength: 8,
  },
);

it('whatever lists follow each other, the other end has each as it was, and what did not change as the object it was', () => {
  fc.assert(
    fc.property(lists, (all) => {
      const [send, receive] = [sendingLists<Thing>(text), receivingLists<Thing>()];
      let before: readonly Thing[] = [];
      for (const list of all) {
        const got = receive(structuredClone(send(list)));
        expect(got).toEqual(list);
        for (const one of got) {
          const old = before.find(({ id }) => id === one.id);
          if (old && text(old) === text(one)) expect(one).toBe(old);
        }
        before = got;
      }
    }),
  );
});

it('what did not change is not sent again', () => {
  const send = sendingLists<Thing>(text);
  const list = [
    { id: 'a', value: 1 },
    { id: 'b', value: 1 },
  ];
  expect(send(list)).toEqual(list);
  expect(send([list[1]!, { id: 'a', value: 2 }])).toEqual(['b', { id: 'a', value: 2 }]);
  expect(send([])).toEqual([]);
  expect(send(list)).toEqual(list);
});

it('a name that was never sent is an error, not a gap', () => {
  expect(() => receivingLists<Thing>()(['a'])).toThrow('a was named but never sent');
});
