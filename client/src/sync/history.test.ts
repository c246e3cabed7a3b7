import { type Design, type EditMessage, emptyDesign } from '@lintrel/core';
import fc from 'fast-check';
import { type History, NO_HISTORY, recordStep, stepBack, stepForward } from './history';

const step = (words: string): EditMessage => ({ code: 'edit.written', values: { words } });

const named = (title: string): Design => emptyDesign(title, 'other');
const saidIn = ({ past, future }: History) => [past, future].map((steps) => steps.map(({ said }) => said));

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
        for (let at = 0; at < changes; at++)
          history = recordStep(history, named(`${at}`), named(`${at + 1}`), step(`step ${at + 1}`));
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
    const back = stepBack(recordStep(NO_HISTORY, named('a'), named('b'), step('one')), named('b'))!;
    expect(back.design).toEqual(named('a'));
    expect(saidIn(recordStep(back.history, named('a'), named('c'), step('other')))).toEqual([[step('other')], []]);
  });

  it('the oldest go when there are too many', () => {
    let history = NO_HISTORY;
    for (let at = 0; at < 100; at++)
      history = recordStep(history, named(`${at}`), named(`${at + 1}`), step(`step ${at}`));
    expect(history.past).toHaveLength(60);
    expect(history.past[0]!.said).toEqual(step('step 40'));
  });

  it('keeps what changed alone, and leaves the designs as they are', () => {
    const before: Design = { ...named('a'), choices: { ...named('a').choices, tapes: [] } };
    const after: Design = { ...before, title: 'b' };
    const texts = [before, after].map((one) => JSON.stringify(one));
    const history = recordStep(NO_HISTORY, before, after, step('named'));
    expect(JSON.stringify(history).length).toBeLessThan(300);
    const back = stepBack(history, after)!;
    expect([back.design, stepForward(back.history, back.design)!.design]).toEqual([before, after]);
    expect([before, after].map((one) => JSON.stringify(one))).toEqual(texts);
  });
});
