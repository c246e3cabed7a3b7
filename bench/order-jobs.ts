import { NO_RULES, type OrderProblem, PAINT_SYSTEMS, typicalFinish } from '@lintrel/core';
import { sampleArea, sampleBorder, sampleProblem } from '../core/src/testing/order';

// Made-up jobs the search for the order of coats is measured on: the same on every run.

/** Numbers from 0 to 1 that are the same on every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

const COLOURS = [
  '#8fb0c4',
  '#2b4a6f',
  '#9aa09e',
  '#1c1f24',
  '#ddd3bd',
  '#8a4a2b',
  '#2f6f62',
  '#f5f3ea',
  '#d9541e',
  '#b3242b',
  '#4a5560',
  '#f2b52c',
];

const finishes = (count: number, system: keyof typeof PAINT_SYSTEMS) =>
  COLOURS.slice(0, count).map((colour, index) =>
    typicalFinish(`finish-${index}`, `Finish ${index}`, system, colour, 20),
  );

/** A model hull in six colours: fourteen areas in two rows and kept areas below them, each beside its neighbours. */
export function sixByFourteen(seed: number): OrderProblem {
  const next = numbers(seed);
  const used = finishes(6, 'air-acrylic');
  const areas = Array.from({ length: 15 }, (_, index) =>
    sampleArea(index, index === 14 ? null : index < 6 ? used[index]!.id : used[Math.floor(next() * 6)]!.id, {
      sizeM2: 0.004 + 0.02 * next(),
      present: '#c7bfa6',
    }),
  );
  const near = (a: number, b: number) =>
    sampleBorder(a, b, 0.04 + 0.25 * next(), { bend: next() < 0.3 ? 'gentle' : 'straight' });
  const rows = Array.from({ length: 14 }, (_, index) => index);
  const borders = [
    ...rows.filter((index) => index % 7 < 6).map((index) => near(index, index + 1)),
    ...rows.slice(0, 7).map((index) => near(index, index + 7)),
    ...rows.slice(7).map((index) => near(index, 14)),
  ];
  return sampleProblem(areas, borders, {
    finishes: new Map(used.map((finish) => [finish.id, finish])),
    model: true,
    rules: { ...NO_RULES, masks: 'fresh' },
  });
}

/** A fleet of ten panels in twelve colours, a hundred and twenty areas: every panel in a few of the colours. */
export function large(): OrderProblem {
  const next = numbers(7);
  const used = finishes(12, 'two-part');
  const areas = Array.from({ length: 120 }, (_, index) => {
    const panel = index % 10;
    // Five colours a panel, from its own place in the list on.
    const finish = index < 12 ? used[index]! : used[(panel + Math.floor(next() * 5)) % 12]!;
    return sampleArea(index, finish.id, { part: `panel-${panel}`, sizeM2: 0.1 + next() });
  });
  const borders = areas.flatMap((_, index) =>
    [10, 40].filter((step) => index + step < 120).map((step) => sampleBorder(index, index + step, 0.3 + next())),
  );
  return sampleProblem(areas, borders, {
    finishes: new Map(used.map((finish) => [finish.id, finish])),
    rules: { ...NO_RULES, masks: 'fresh' },
  });
}
