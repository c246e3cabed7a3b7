import { emptyDesign, type Design, type EditSaid } from '@lintrel/core';
import fc from 'fast-check';
import { keepHistory, keepHistoryOf, NO_HISTORY, readHistory, remembered, stepBack, stepForward, type History } from './history';

const step = (words: string): EditSaid => ({ code: 'edit.written', values: { words } });

const named = (title: string): Design => emptyDesign(title, 'other');
const titles = ({ past, future }: History) => [past.map(({ design }) => design.title), future.map(({ design }) => design.title)];

describe('steps through what was changed', () => {
  it('there is nothing before the first and nothing after the last', () => {
    expect(stepBack(NO_HISTORY, named('now'))).toBeNull();
    expect(stepForward(NO_HISTORY, named('now'))).toBeNull();
  });

  it('back and forward through any changes leads to where one was, with the words of each step', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 30 }), fc.integer({ min: 1, max: 12 }), (turns, changes) => {
        // What a person sees: a list of designs and a place in it.
        let history = NO_HISTORY;
        for (let at = 0; at < changes; at++) history = remembered(history, named(`${at}`), step(`step ${at + 1}`));
        let [at, now] = [changes, named(`${changes}`)];
        for (const back of turns) {
          const moved = (back ? stepBack : stepForward)(history, now);
          const wanted = at + (back ? -1 : 1);
          if (wanted < 0 || wanted > changes) {
            expect(moved).toBeNull();
            continue;
          }
          expect(moved?.design.title).toBe(`${wanted}`);
          expect(moved?.said).toEqual(step(`step ${Math.max(at, wanted)}`));
          if (moved) [at, now, history] = [wanted, moved.design, moved.history];
          expect(history.past.length + history.future.length).toBe(changes);
        }
      }),
    );
  });

  it('a change after a step back forgets what was undone', () => {
    const back = stepBack(remembered(NO_HISTORY, named('a'), step('one')), named('b'));
    expect(titles(remembered(back?.history ?? NO_HISTORY, named('a'), step('other')))).toEqual([['a'], []]);
  });

  it('the oldest go when there are too many', () => {
    let history = NO_HISTORY;
    for (let at = 0; at < 100; at++) history = remembered(history, named(`${at}`), step('step'));
    expect(history.past).toHaveLength(60);
    expect(history.past[0]!.design.title).toBe('40');
  });
});

describe('the history on the device', () => {
  const disk = new Map<string, string>();
  let room = Infinity;
  beforeEach(() => {
    disk.clear();
    room = Infinity;
    Object.assign(globalThis, {
      localStorage: {
        getItem: (key: string) => disk.get(key) ?? null,
        setItem: (key: string, text: string) => {
          if (text.length > room) throw new Error('full');
          disk.set(key, text);
        },
      },
    });
  });
  const three = ['a', 'b', 'c'].reduce((history, title) => remembered(history, named(title), step(title)), NO_HISTORY);

  it('is there after a reload, for the revision it belongs to and no other', () => {
    keepHistory('job', three);
    keepHistoryOf('job', 4);
    expect(titles(readHistory('job', 4))).toEqual([['a', 'b', 'c'], []]);
    expect(readHistory('job', 5)).toBe(NO_HISTORY);
    expect(readHistory('other', 4)).toBe(NO_HISTORY);
  });

  it('loses its oldest steps where room is short, and never fails', () => {
    room = JSON.stringify({ ...three, past: three.past.slice(1) }).length;
    keepHistory('job', three);
    keepHistoryOf('job', 4);
    expect(titles(readHistory('job', 4))).toEqual([['b', 'c'], []]);
    room = 1;
    disk.clear();
    keepHistory('job', three);
    keepHistoryOf('job', 4);
    expect(titles(readHistory('job', 4))).toEqual([[], []]);
  });

  it('of an older version is named by its words', () => {
    disk.set('lintrel.history.job', JSON.stringify({ past: [{ words: 'Waist moved', design: named('a') }], future: [] }));
    keepHistoryOf('job', 4);
    expect(readHistory('job', 4).past).toEqual([{ said: step('Waist moved'), design: named('a') }]);
  });

  it.each(['not json', '[]', '{"past":1}', 'null'])('that cannot be read is none: %s', (text) => {
    disk.set('lintrel.history.job', text);
    keepHistoryOf('job', 4);
    expect(readHistory('job', 4)).toBe(NO_HISTORY);
  });
});
