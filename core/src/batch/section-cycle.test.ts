import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { batches } from './batch';
import { type Section, sectionCycle } from './section-cycle';

const anySections = fc.array(
  fc.record({ paintMin: fc.integer({ min: 1, max: 12 }), pullMin: fc.integer({ min: 1, max: 8 }) }),
  { minLength: 1, maxLength: 9 },
);
const anyWindow = fc.record({ fromMin: fc.integer({ min: 0, max: 15 }), openMin: fc.integer({ min: 1, max: 40 }) });

it('paints and pulls every section once, in order, one thing at a time, and each pull in its window', () => {
  fc.assert(
    fc.property(anySections, anyWindow, (sections, { fromMin, openMin }) => {
      const window = { fromMin, toMin: fromMin + openMin };
      const cycle = sectionCycle(sections, window);
      const longest = Math.max(...sections.map(({ pullMin }) => pullMin));
      // One after the other always fits where a pull fits at all.
      if (longest > openMin) return expect(cycle).toBeNull();
      const painted: number[] = [];
      const pulled: { from: number; to: number }[] = [];
      let free = 0;
      for (const { turn, first, count, startMin, endMin } of cycle!.heaps) {
        expect(startMin).toBeGreaterThanOrEqual(free - 1e-6);
        expect(first).toBe(turn === 'paint' ? painted.length : pulled.length);
        let at = startMin;
        for (let section = first; section < first + count; section++) {
          const begun = at;
          at += turn === 'paint' ? sections[section]!.paintMin : sections[section]!.pullMin;
          if (turn === 'paint') painted.push(at);
          else pulled.push({ from: begun, to: at });
        }
        expect(at).toBeCloseTo(endMin, 6);
        free = endMin;
      }
      expect([painted.length, pulled.length]).toEqual([sections.length, sections.length]);
      pulled.forEach(({ from, to }, section) => {
        expect(from - painted[section]!).toBeGreaterThanOrEqual(window.fromMin - 1e-6);
        expect(to - painted[section]!).toBeLessThanOrEqual(window.toMin + 1e-6);
      });
      expect(cycle!.totalMin).toBeCloseTo(free, 6);
    }),
    { numRuns: depth(66, 400) },
  );
});

it('what a pull has after each heap it comes from is what its sections have, no more and no less', () => {
  fc.assert(
    fc.property(anySections, anyWindow, (sections, { fromMin, openMin }) => {
      const window = { fromMin, toMin: fromMin + openMin };
      const heaps = sectionCycle(sections, window)?.heaps ?? [];
      for (const pull of heaps)
        for (const { heap, ...told } of pull.painted) {
          const paint = heaps[heap]!;
          expect(pull.startMin).toBeGreaterThanOrEqual(paint.endMin + told.fromMin - 1e-6);
          expect(pull.endMin).toBeLessThanOrEqual(paint.endMin + told.toMin + 1e-6);
          // Moved to the very end of its time, some section of it is off just in time.
          const late = paint.endMin + told.toMin - pull.endMin;
          const lefts = sections.flatMap(({ pullMin }, section) => {
            const inBoth = [paint, pull].every(({ first, count }) => section >= first && section < first + count);
            const sum = (first: number, end: number, of: keyof Section) =>
              sections.slice(first, end).reduce((all, other) => all + other[of], 0);
            const painted = paint.startMin + sum(paint.first, section + 1, 'paintMin');
            const off = pull.startMin + late + sum(pull.first, section, 'pullMin') + pullMin;
            return inBoth ? [painted + window.toMin - off] : [];
          });
          expect(Math.min(...lefts)).toBeCloseTo(0, 6);
        }
    }),
    { numRuns: depth(33, 200) },
  );
});

it('of alike sections takes no less than the least there is, and as little where a hand need not turn round often', () => {
  const alike = { paintMin: 5, pullMin: 3, fromMin: 10, toMin: 40 };
  const least = batches({ ...alike, strips: 6 });
  const cycle = sectionCycle(
    Array.from({ length: 6 }, () => alike),
    alike,
  )!;
  expect(least.feasible && cycle.totalMin).toBeCloseTo((least as { totalMinutes: number }).totalMinutes, 6);
  expect(cycle.heaps.map(({ turn, count }) => [turn, count])).toEqual([
    ['paint', 6],
    ['pull', 6],
  ]);
});
