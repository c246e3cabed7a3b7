import { sampleArea, sampleBorder, sampleProblem } from '../testing-order';
import { calmFirst, calmnessOf, NO_RULES, searchOrder, type OrderProblem } from '.';

const [CREAM, GREEN] = ['cream-two-part', 'sea-green-two-part'];

const areas = [sampleArea(0, CREAM, { sizeM2: 2 }), sampleArea(1, GREEN, { sizeM2: 0.4 }), sampleArea(2, null)];
const borders = [sampleBorder(0, 1, 3), sampleBorder(1, 2, 1)];
const problem: OrderProblem = sampleProblem(areas, borders, { rules: { ...NO_RULES, masks: 'fresh' } });
const best = (given: OrderProblem) => searchOrder(given).sequences;

describe('a calm order', () => {
  it('leaves nothing open where paint does not stay, if that costs no more than a tenth', () => {
    const found = best(problem);
    const [planned] = calmFirst(problem, found);
    expect(planned.score).toBeLessThanOrEqual(found[0].score * 1.1);
    const dearest = Math.max(...found.filter(({ score }) => score <= found[0].score * 1.1).map((one) => calmnessOf(problem, one).lostM2));
    expect(calmnessOf(problem, planned).lostM2).toBeLessThanOrEqual(dearest);
  });
  it('puts the lighter colour first among equals', () => {
    const alike = sampleProblem([sampleArea(0, CREAM), sampleArea(1, GREEN, { part: 'other' })], []);
    const [planned] = calmFirst(alike, best(alike));
    expect(planned.order).toEqual([CREAM, GREEN]);
    expect(calmnessOf(alike, planned).darkFirst).toBe(0);
  });
  it('counts what lies under another colour in square metres', () => {
    const [first] = best(problem);
    const wide = { ...first, stages: first.stages.map((stage, index) => (index === 0 ? { ...stage, open: [true, true, false] } : stage)) };
    const lost = first.stages[0].finish === CREAM ? 0.4 : 2;
    expect(calmnessOf(problem, wide).lostM2).toBeCloseTo(lost, 9);
  });
  it('keeps what a person has pinned open', () => {
    const pinned: OrderProblem = { ...problem, rules: { ...problem.rules, order: [CREAM, GREEN], pins: [{ finish: CREAM, area: 1, open: true }] } };
    const [planned] = calmFirst(pinned, best(pinned));
    expect(planned.stages[0].open[1]).toBe(true);
  });
  it('takes the wide spread where it saves more than a tenth', () => {
    const found = best(problem);
    const cheap = { ...found[0], score: found[0].score * 0.5 };
    expect(calmFirst(problem, [cheap, ...found.slice(1)])[0]).toBeDefined();
    const wide = { ...cheap, stages: cheap.stages.map((stage, index) => (index === 0 ? { ...stage, open: stage.open.map(() => true) } : stage)) };
    // Closing it costs what the order really costs: twice the pretended score, far over a tenth.
    expect(calmFirst(problem, [wide])[0]).toBe(wide);
  });
  it('says nothing where there is nothing to order', () => expect(calmFirst(problem, [])).toEqual([]));
});
