import { newObservable } from './observable';

describe('a cell', () => {
  it('tells who listens, until they no longer do, and only what is new', () => {
    const cell = newObservable(1);
    const heard: number[] = [];
    const stop = cell.subscribe(() => heard.push(cell.get()));
    for (const value of [2, 2, 3]) cell.set(value);
    stop();
    cell.set(4);
    expect([cell.get(), heard]).toEqual([4, [2, 3]]);
  });
});
