import { wordsFor } from '@lintrel/words';
import { typicalFinish } from '../finish';
import { firstItem } from '../kit';
import { NO_RULES, type OrderProblem, type Sequence, workMinutes } from '../stage';
import { sampleArea, sampleBorder, sampleProblem } from '../testing/order';
import { endOf, reasonsFor, totalOf } from './reason';
import { searchOrder } from './search';

const { say } = wordsFor();

const yellow = typicalFinish('yellow', 'Yellow', 'base-solvent', '#f2c230', 60);
const brown = typicalFinish('brown', 'Brown', 'base-solvent', '#4a2f20', 25);
const silver = typicalFinish('silver', 'Silver', 'base-solvent', '#b8bcc0', 25, 'metallic');
const jobOf = (ids: readonly string[], changes: Partial<OrderProblem> = {}) =>
  sampleProblem(
    ids.map((id, index) => sampleArea(index, id, { present: '#ffffff', sizeM2: 1 })),
    ids.slice(1).map((_, index) => sampleBorder(index, index + 1, 2)),
    { finishes: new Map([yellow, brown, silver].map((finish) => [finish.id, finish])), ...changes },
  );
const inOrder = (problem: OrderProblem, order: readonly string[]) =>
  searchOrder({ ...problem, rules: { ...NO_RULES, order } }).sequences[0]!;
const reasons = (problem: OrderProblem, all: readonly Sequence[]) =>
  all.map((sequence) => reasonsFor(problem, sequence, all).map(say).join(' '));

describe('the reason for an order', () => {
  it('tells the coats that are saved: weak colours before strong ones', () => {
    const problem = jobOf(['yellow', 'brown']);
    const [light, dark] = [inOrder(problem, ['yellow', 'brown']), inOrder(problem, ['brown', 'yellow'])];
    const first = firstItem(reasons(problem, [light, dark]));
    const saved = /^Yellow before Brown: (\d+) coats? here, over that (\d+)\./.exec(first);
    expect(Number(saved?.[1])).toBe(light.stages[0]!.coats);
    expect(Number(saved?.[2])).toBeGreaterThan(light.stages[0]!.coats);
  });
  it('claims least only of what is really least', () => {
    const problem = jobOf(['yellow', 'brown', 'silver']);
    const all = searchOrder(problem).sequences;
    expect(all.length).toBeGreaterThan(1);
    const figures: readonly [RegExp, (sequence: Sequence) => number][] = [
      [/least work/i, (sequence) => totalOf(sequence, workMinutes)],
      [/earliest end/i, endOf],
      [/fewest coats/i, (sequence) => totalOf(sequence, ({ coats }) => coats)],
      [/least tape/i, (sequence) => totalOf(sequence, ({ tapeM }) => tapeM)],
      [/least show edge/i, (sequence) => totalOf(sequence, ({ risk }) => risk)],
      [/least paint/i, (sequence) => totalOf(sequence, ({ paintMl }) => paintMl)],
    ];
    all.forEach((sequence, index) => {
      const said = reasons(problem, all)[index]!;
      for (const [claim, pick] of figures)
        if (claim.test(said)) expect(Math.min(...all.map(pick))).toBe(pick(sequence));
    });
  });
  it('tells of the gun that is stripped after flakes', () => {
    const problem = jobOf(['silver', 'brown']);
    const all = [inOrder(problem, ['silver', 'brown']), inOrder(problem, ['brown', 'silver'])];
    expect(reasons(problem, all)[0]).toMatch(/stripped down after the flakes/);
    expect(reasons(problem, all)[1]).not.toMatch(/stripped/);
  });
  it('says so where there is nothing to order', () => {
    const problem = jobOf(['yellow']);
    const all = searchOrder(problem).sequences;
    expect(reasons(problem, all)).toEqual(['One colour: there is nothing to order.']);
  });
});

describe('what is wanted most', () => {
  it('changes the order, and each wish gets no worse of its own than another wish does', () => {
    const problem = (wish: OrderProblem['wish']) => jobOf(['yellow', 'brown', 'silver', 'yellow'], { wish });
    const best = (wish: OrderProblem['wish']) => searchOrder(problem(wish)).sequences[0]!;
    const risk = (sequence: Sequence) => totalOf(sequence, (stage) => stage.risk);
    const money = (sequence: Sequence) => totalOf(sequence, (stage) => stage.money);
    expect(endOf(best('finish'))).toBeLessThanOrEqual(endOf(best('risk')) + 1e-6);
    expect(risk(best('risk'))).toBeLessThanOrEqual(risk(best('work')) + 1e-6);
    expect(money(best('material'))).toBeLessThanOrEqual(money(best('work')) + 1e-6);
  });
});
