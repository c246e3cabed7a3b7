import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planFaults } from '../check';
import type { LineItem, Plan } from '../contract';
import { forbidTape, pinTape } from '../edit';
import { readJobFile } from '../formats';
import { isLine } from '../items';
import type { Design, Shelf } from '../job';
import { RULE_OF_THUMB } from '../kit';
import { letteringOf } from '../setout';
import { planJob } from './plan';

const example = (name: string) => {
  const read = readJobFile(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.value;
};
const planned = (design: Design, shelf: Shelf): Plan => {
  const plan = planJob(design, shelf);
  expect(planFaults(plan)).toEqual([]);
  return plan;
};
const linesOf = ({ items }: Plan): LineItem[] => items.filter(isLine);

describe('a tape a person has chosen', () => {
  const { design, shelf } = example('tansy');
  it('lies on its line, on both parts only where it was chosen for the job', () => {
    const onLeft = planned(pinTape(design, { part: 'left', line: 'waist' }, 'V6'), shelf);
    expect(linesOf(onLeft).map(({ part, material, pinned }) => [part, material, pinned])).toEqual([
      ['left', 'V6', true],
      ['right', 'F6', false],
    ]);
    const everywhere = planned(pinTape(design, {}, 'W10'), shelf);
    expect(linesOf(everywhere).map(({ material }) => material)).toEqual(['W10', 'W10']);
  });
  it('is given up by taking the pin out again, with nothing left behind', () => {
    expect(
      pinTape(pinTape(design, { part: 'left', line: 'waist' }, 'V6'), { part: 'left', line: 'waist' }, null),
    ).toEqual(design);
  });
  it('that has run out is replaced, and that is said', () => {
    const empty = { ...shelf, tapes: shelf.tapes.map((tape) => (tape.code === 'V6' ? { ...tape, rolls: 0 } : tape)) };
    const [line] = linesOf(planned(pinTape(design, { part: 'left', line: 'waist' }, 'V6'), empty));
    expect(line).toMatchObject({ material: 'F6', pinned: false });
    expect(line!.doubts).toContainEqual({ code: 'doubt.not-chosen', values: { tape: 'V6' } });
  });
  it('that would be too tight is laid all the same, with its doubt', () => {
    const { design: caravan, shelf: shop } = example('juniper');
    const plan = planned(pinTape(caravan, { part: 'lid', line: 'emblem' }, 'F19'), shop);
    const round = linesOf(plan).filter(({ part, material }) => part === 'lid' && material === 'F19');
    for (const line of round.filter(({ pinned }) => pinned))
      expect(line.doubts.length + (line.verdict === 'lays' ? 1 : 0)).toBeGreaterThan(0);
  });
});

describe('a tape a person does not want in this job', () => {
  const { design, shelf } = example('tansy');
  it('lies nowhere, and may be allowed again', () => {
    const without = forbidTape(forbidTape(design, 'F19', true), 'F12', true);
    for (const { material } of linesOf(planned(without, shelf))) expect(['F19', 'F12']).not.toContain(material);
    expect(forbidTape(forbidTape(without, 'F19', false), 'F12', false)).toEqual(design);
  });
});

describe('stock', () => {
  const { design, shelf } = example('tansy');
  const stocked = (rolls: number): Shelf => ({
    ...shelf,
    tapes: shelf.tapes.map((tape) => (tape.code === 'F6' ? { ...tape, rolls } : tape)),
  });
  const needOf = (plan: Plan) => plan.lists.tape.find(({ tape }) => tape === 'F6');
  it('that is not counted is never short', () =>
    expect(needOf(planned(design, shelf))).toMatchObject({ rolls: 1, missing: null }));
  it('is short where the roll is too short with its waste', () => {
    expect(needOf(planned(design, stocked(1)))).toMatchObject({ missing: 0 });
    const metres = needOf(planned(design, shelf))!.lengthM;
    const short = {
      ...shelf,
      tapes: shelf.tapes.map((tape) =>
        tape.code === 'F6' ? { ...tape, rolls: 1, rollM: metres * (1 + RULE_OF_THUMB.tapeWaste) - 0.01 } : tape,
      ),
    };
    expect(needOf(planned(design, short))).toMatchObject({ rolls: 2, missing: 1 });
  });
  it('that has run out is not planned with, and another tape is taken', () => {
    const plan = planned(design, stocked(0));
    expect(needOf(plan)).toBeUndefined();
    for (const line of linesOf(plan)) expect(line.material).not.toBe('F6');
  });
  it('one tape alone on the shelf still makes a plan', () => {
    const plan = planned(design, { ...shelf, tapes: shelf.tapes.filter(({ code }) => code === 'P24') });
    for (const line of linesOf(plan))
      expect(line).toMatchObject({ material: 'P24', doubts: [expect.objectContaining({ code: 'doubt.lesser-edge' })] });
  });
});

describe('letters', () => {
  const { design, shelf } = example('ostrel');
  const plan = planned(design, shelf);
  it('are cut from one film, which is counted once, and laid in one step', () => {
    const cut = linesOf(plan).filter(
      ({ part, techniques }) => part === 'fin' && techniques.some(({ code }) => code === 'technique.cut-sheet'),
    );
    const [head, ...others] = cut;
    expect(head!.sheetOf).toBeNull();
    expect(others.length).toBeGreaterThan(3);
    for (const other of others) expect(other).toMatchObject({ sheetOf: head!.id, lengthMm: 0 });
    const films = plan.lists.tape.filter(({ tape }) => tape.startsWith('T'));
    expect(films).toEqual([
      expect.objectContaining({ tape: head!.material, pieces: 1, lengthM: expect.closeTo(head!.lengthMm / 1000, 5) }),
    ]);
    expect(
      plan.steps
        .filter(({ kind, items }) => kind === 'lay' && items.includes(head!.id))
        .map(({ items }) => items.length),
    ).toEqual([cut.length]);
  });
  it('have their areas as one: the strokes, and what lies within them', () => {
    const fin = plan.parts.find(({ id }) => id === 'fin')!;
    const [letters, ...more] = letteringOf(fin);
    expect(more).toEqual([]);
    // X, Q, dash, 0, 7; within Q and 0 the surface shows.
    expect(letters!.strokes).toHaveLength(5);
    expect(letters!.inner).toHaveLength(2);
    const finishes = new Set(
      fin.areas.filter(({ code }) => letters!.strokes.includes(code)).map(({ finish }) => finish),
    );
    expect(finishes.size).toBe(1);
  });
  it('a part without letters has none', () =>
    expect(letteringOf(plan.parts.find(({ id }) => id === 'boom')!)).toEqual([]));
});

it('parts are masked from the back to the front, each piece once', () => {
  const { design, shelf } = example('saltwort');
  const plan = planned(design, shelf);
  const second = linesOf(plan).filter(({ stage }) => stage === 2);
  expect([...new Set(second.map(({ part }) => part))]).toEqual(['transom', 'starboard', 'port']);
});
