import { carryScheme } from '../edit';
import { type Design, emptyDesign, type Part } from '../job';
import { firstItem, firstTwo, runToEnd } from '../kit';
import { BOARD, samplePart, sweep } from '../testing/samples';
import { analyseLine } from './analysis';
import { applyDrag } from './drag';
import { tapeFitsOfLine } from './fits';
import { handlesOf } from './handles';
import { newPartCache } from './part-cache';
import { workOutParts, workOutSteps } from './part-work';

const part = (id: string, above = 200): Part => ({
  ...(samplePart({
    id,
    name: id,
    surface: BOARD,
    lines: [sweep('wave', [100, 150], [500, above], [900, 160])],
  }) as Part),
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
});
const design = (...parts: Part[]): Design => ({ ...emptyDesign('Kept', 'road'), parts });

describe('one store for all that is asked about a job', () => {
  it('sets a line out once, whoever asks', () => {
    const store = newPartCache();
    const { parts } = design(part('one'), part('two'));
    tapeFitsOfLine(parts, 'one', 'wave', [], store);
    const [setOut] = store.setOuts.values();
    analyseLine(parts, 'one', 'wave', store);
    handlesOf(parts, 'one', 'wave', store);
    expect([...store.setOuts.values()]).toEqual([setOut]);
    expect(workOutParts(design(...parts), store)[0]!.setOut).toBe(setOut);
  });

  it('a dropped point is set out under the finger and arranged once, for finishes and plan alike', () => {
    const store = newPartCache();
    const before = {
      ...design(part('one'), part('two')),
      scheme: { areas: [{ part: 'one', seed: [20, 20] as [number, number], finish: 'cream-two-part' }] },
    };
    workOutParts(before, store);
    const result = applyDrag(
      before.parts,
      { part: 'one', line: 'wave', key: 'points.1', place: [510, 240], reachMm: 0, tapes: [] },
      store,
    );
    const live = [...store.setOuts.values()].at(-1);
    if (!result) throw new Error('the line can be dragged');
    // As it comes back through the screen: another object, the same in it.
    const after: Design = {
      ...before,
      parts: before.parts.map((one) => (one.id === 'one' ? { ...one, lines: [structuredClone(result.line)] } : one)),
    };
    const carried = carryScheme(before, after, store);
    const arranged = [...store.works.values()].map(({ arrangement }) => arrangement);
    expect(arranged).toHaveLength(3);
    const [moved, other] = firstTwo(workOutParts(carried, store));
    expect(moved.setOut).toBe(live);
    expect(arranged).toContain(moved.arrangement);
    expect(arranged).toContain(other.arrangement);
    expect(store.works.size).toBe(3);
  });

  it('keeps what was used last, and never grows beyond what a few changes need', () => {
    const store = newPartCache();
    const still = part('still');
    for (let above = 150; above < 250; above++) workOutParts(design(still, part('one', above)), store);
    expect(store.works.size).toBeLessThanOrEqual(2 * 2 + 12);
    const known = new Set(store.works.values());
    const first = firstItem(workOutParts(design(still), store));
    expect([...known].map(({ setOut }) => setOut)).toContain(first.setOut);
  });
});

it('a job that is worked out in steps is not lost when others fill the store in between', () => {
  const store = newPartCache();
  const whole = design(part('one'), part('two'), part('three'));
  workOutParts(design(part('one')), store);
  const steps = workOutSteps(whole, store);
  steps.next();
  for (let above = 300; above < 350; above++) workOutParts(design(part('other', above)), store);
  const works = runToEnd(steps);
  expect(works.map(({ setOut }) => setOut.lines)).toEqual(workOutParts(whole).map(({ setOut }) => setOut.lines));
});
