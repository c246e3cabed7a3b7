import { firstItem, firstTwo } from '../kit';
import { NO_RULES, type OrderProblem, stageCost, stageScore, startProgress } from '../stage';
import { sampleArea, sampleBorder, sampleProblem } from '../testing/order';
import { preferenceRank, preferredFirst } from './preferred-order';
import { searchOrder } from './search';

const [CREAM, GREEN] = ['cream-two-part', 'sea-green-two-part'];

const areas = [sampleArea(0, CREAM, { sizeM2: 2 }), sampleArea(1, GREEN, { sizeM2: 0.4 }), sampleArea(2, null)];
const borders = [sampleBorder(0, 1, 3), sampleBorder(1, 2, 1)];
const problem: OrderProblem = sampleProblem(areas, borders, { rules: { ...NO_RULES, masks: 'fresh' } });
const best = (given: OrderProblem) => searchOrder(given).sequences;

describe('a calm order', () => {
  it('leaves nothing open where paint does not stay, if that costs no more than a tenth', () => {
    const sequences = best(problem);
    const planned = firstItem(preferredFirst(problem, sequences));
    expect(planned.score).toBeLessThanOrEqual(sequences[0]!.score * 1.1);
    const dearest = Math.max(
      ...sequences
        .filter(({ score }) => score <= sequences[0]!.score * 1.1)
        .map((sequence) => preferenceRank(problem, sequence).lostM2),
    );
    expect(preferenceRank(problem, planned).lostM2).toBeLessThanOrEqual(dearest);
  });
  it('puts the lighter colour first among equals', () => {
    const alike = sampleProblem([sampleArea(0, CREAM), sampleArea(1, GREEN, { part: 'other' })], []);
    const planned = firstItem(preferredFirst(alike, best(alike)));
    expect(planned.order).toEqual([CREAM, GREEN]);
    expect(preferenceRank(alike, planned).darkFirst).toBe(0);
  });
  it('counts what lies under another colour in square metres, and as a minute each', () => {
    const first = (open: readonly boolean[]) =>
      stageCost(problem, startProgress(problem), { finish: CREAM, open, keep: false });
    const wide = first([true, true, false]);
    expect(preferenceRank(problem, { stages: [wide] }).lostM2).toBeCloseTo(0.4, 9);
    expect(first([true, false, false]).strayM2).toBe(0);
    expect(stageScore(wide, 'work') - stageScore({ ...wide, strayM2: 0 }, 'work')).toBeCloseTo(0.4e6, -1);
  });
  it('does not count primer and clear: they are meant to lie under and over the others, also in a colour of the job', () => {
    const all = [true, true, false];
    const cleared = { ...problem, clear: { finish: CREAM, areas: all } };
    const [one, two] = firstTwo(
      [CREAM, GREEN].map((finish, index) => ({ finish, open: [index === 0, index === 1, false], keep: false })),
    );
    const before = stageCost(cleared, stageCost(cleared, startProgress(cleared), one).after, two).after;
    expect(stageCost(cleared, before, { finish: CREAM, open: all, keep: false }).strayM2).toBe(0);
  });
  it('keeps what a person has pinned open', () => {
    const pinned: OrderProblem = {
      ...problem,
      rules: { ...problem.rules, order: [CREAM, GREEN], pins: [{ finish: CREAM, area: 1, open: true }] },
    };
    const planned = firstItem(preferredFirst(pinned, best(pinned)));
    expect(planned.stages[0]!.open[1]).toBe(true);
  });
  it('takes the wide spread where it saves more than a tenth', () => {
    const sequences = best(problem);
    const cheap = { ...sequences[0]!, score: sequences[0]!.score * 0.5 };
    expect(preferredFirst(problem, [cheap, ...sequences.slice(1)])[0]).toBeDefined();
    const wide = {
      ...cheap,
      stages: cheap.stages.map((stage, index) =>
        index === 0 ? { ...stage, open: stage.open.map(() => true) } : stage,
      ),
    };
    // Closing it costs what the order really costs: twice the pretended score, far over a tenth.
    expect(preferredFirst(problem, [wide])[0]).toBe(wide);
  });
  it('says nothing where there is nothing to order', () => expect(preferredFirst(problem, [])).toEqual([]));
});
